"""Photos without a mosaic: what the learned method's second set of weights is trained on.

The network is the same; its four planes are red, green, how noise goes from pixel to pixel (coarseNoise - 1) and blue, and of the second
opinion's the third tells how coarsely a JPEG was rounded. Pieces begin at one place of JPEG's blocks, which three halvings of the network see.
"""
import os
import shutil
import subprocess
import tempfile

import numpy as np
import torch
import torch.nn.functional as F

import pictures
import pixel_photos
import weights
from network import TAKEN

HERE = os.path.dirname(os.path.abspath(__file__))
PIECES = os.path.join(HERE, "..", "build", "release", "training", "irenic-photo-pieces")
LOG = os.path.join(HERE, "pixel_log.csv")
COLOURS = [0, 1, 3]  # the planes that hold them
# In deviations of the noise as measured: what is farther from the truth is never reached (core/denoise/learned.cpp), and such a measurement
# teaches nothing.
FARTHEST = 16


class Reader:
    """What the program sees in a photo: (pieces, 3, 3, side, side), which are seen, second opinion and truth, and (pieces, 3) numbers."""

    def __init__(self):
        self.folder = tempfile.mkdtemp(dir="/dev/shm" if os.path.isdir("/dev/shm") else None)
        self.program = subprocess.Popen([PIECES], stdin=subprocess.PIPE, stdout=subprocess.PIPE)

    def close(self):
        self.program.stdin.close()
        shutil.rmtree(self.folder, ignore_errors=True)

    def __call__(self, rng, photo, pieces, side, kind=None):
        made = pixel_photos.make(rng, photo, self.folder, "photo", kind)
        if made is None:
            return None
        self.program.stdin.write(("%d %d %d\n%s\n%s\n" % ((pieces, side, rng.integers(1 << 30)) + made)).encode())
        self.program.stdin.flush()
        count = int(np.frombuffer(self.program.stdout.read(4), "<i4")[0])
        numbers, samples = [], []
        for _ in range(count):
            numbers.append(np.frombuffer(self.program.stdout.read(12), "<f4"))
            samples.append(np.frombuffer(self.program.stdout.read(36 * side * side), "<f4").reshape(3, 3, side, side))
        for path in made:
            os.remove(path)
        return (torch.tensor(np.array(samples)), torch.tensor(np.array(numbers))) if count else None


def inputs_of(seen, second, numbers):
    """The network's nine planes of pieces (n, 3, h, w)."""
    n, _, h, w = seen.shape
    sigma = numbers[:, :1].view(n, 1, 1, 1)
    out = torch.empty(n, 9, h, w)
    for k, plane in enumerate(COLOURS):
        out[:, plane] = seen[:, k] * sigma[:, 0]
        out[:, 5 + plane] = (seen[:, k] - second[:, k]) * sigma[:, 0] * TAKEN
    out[:, 4] = sigma[:, 0]
    out[:, 2] = (numbers[:, 1] - 1).view(n, 1, 1)
    out[:, 7] = numbers[:, 2].view(n, 1, 1)
    return out.contiguous(memory_format=torch.channels_last), sigma


def loss_of(net, samples, numbers):
    """As for mosaics, but over the noise that is really there, as measured noise of compressed photos may be half of it."""
    seen, second, truth = samples.unbind(1)
    inputs, sigma = inputs_of(seen, second, numbers)
    level = torch.sqrt(((seen - truth) ** 2).mean((1, 2, 3), keepdim=True) + 0.1)
    off = (net(inputs)[:, COLOURS] / sigma - truth) / level
    root = torch.sqrt((off ** 2).mean((1, 2, 3)) + 1e-5)
    fine = 0.3 * off.abs().mean((1, 2, 3)) + 0.5 * root + 0.1 * torch.log(root + 0.02)
    coarse = 2 * F.avg_pool2d(off, 8).abs().mean((1, 2, 3))
    return (fine + 0.5 * coarse).mean(), fine.mean().item(), coarse.mean().item()


class Pixels:
    """The subject as train.py wants it."""

    name, log = "pixel_cleaner", LOG
    KINDS = ("jpeg", "tiff", "light", "wide")

    def __init__(self, step, pieces=5, side=192, count=160):
        self.rng, self.reader, self.side, self.pieces = np.random.default_rng(5000 + step), Reader(), side, pieces
        self.aside = self.kept_aside()
        self.photos, self.shares = pictures.training_set()
        self.samples, self.numbers = torch.empty(0, 3, 3, side, side), torch.empty(0, 3)
        while len(self.samples) < count:
            self.renew(count)

    def kept_aside(self):
        rng, out = np.random.default_rng(3), []
        photos = [pictures.photograph(p) for p in pictures.ASIDE]
        for kind in self.KINDS:
            found = [self.reader(rng, photo, 2, 128, kind) for photo in photos]
            out.append([torch.cat(parts) for parts in zip(*(f for f in found if f))])
        return out

    def renew(self, most):
        """A new photo's pieces take the place of the oldest."""
        photo = self.photos[self.rng.choice(len(self.photos), p=self.shares)]
        new = self.reader(self.rng, photo, self.pieces, self.side)
        if new:
            seen, _, truth = new[0].unbind(1)
            sound = ((seen - truth) ** 2).mean((1, 2, 3)) < FARTHEST ** 2
            new = new[0][sound], new[1][sound]
            self.samples, self.numbers = torch.cat([self.samples, new[0]])[-most:], torch.cat([self.numbers, new[1]])[-most:]

    def loss(self, net, step, count, size):
        if step % 6 == 0:
            self.renew(len(self.samples))
        some = self.rng.choice(len(self.samples), count, replace=False)
        pieces = torch.empty(count, 3, 3, size, size)
        for k, one in enumerate(some):
            y, x = self.rng.integers(0, (self.side - size) // 8 + 1, 2) * 8
            piece = self.samples[one, :, :, y:y + size, x:x + size]
            pieces[k] = piece.transpose(2, 3) if self.rng.random() < 0.5 else piece
        return loss_of(net, pieces, self.numbers[some])

    def judge(self, net):
        """For each kind the mean of what is gained over the photo as it is, in decibels; of the network or (null) of the second opinion."""
        out = []
        for samples, numbers in self.aside:
            seen, second, truth = samples.unbind(1)
            inputs, sigma = inputs_of(seen, second, numbers)
            with torch.no_grad():
                found = second if net is None else torch.cat([net(i) for i in inputs.split(4)])[:, COLOURS] / sigma
            error = lambda a: ((a - truth)[..., 8:-8, 8:-8] ** 2).mean((1, 2, 3))
            out.append((10 * torch.log10(error(seen) / error(found))).mean().item())
        return out


def begin(net):
    """Starts from the weights for mosaics: green counts twice there, and the third planes are free for something else."""
    net.load_state_dict(weights.load("cleaner"))
    with torch.no_grad():
        w = net.enter.weight
        for kept, free in ((1, 2), (6, 7)):
            w[:, kept] += w[:, free]
            w[:, free] = 0
