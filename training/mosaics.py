"""Raws with a 2x2 mosaic: what the learned method is trained on, and how it is judged while it learns."""
import os
import subprocess

import numpy as np
import torch
import torch.nn.functional as F

import pictures
import weights
from network import TAKEN

HERE = os.path.dirname(os.path.abspath(__file__))
OPINION = os.path.join(HERE, "..", "build", "release", "training", "irenic-second-opinion")
LOG = os.path.join(HERE, "log.csv")


def batch(rng, photos, shares, count, size):
    """Noiseless packed mosaics in electrons over full well: (count, 4, size, size), 0..1, as a camera sees them."""
    out = np.empty((count, 4, size, size), np.float32)
    for k in range(count):
        photo = photos[rng.choice(len(photos), p=shares)]
        y = rng.integers(0, photo.shape[0] - 2 * size + 1)
        x = rng.integers(0, photo.shape[1] - 2 * size + 1)
        crop = photo[y:y + 2 * size, x:x + 2 * size].astype(np.float32)
        if rng.random() < 0.5:
            crop = crop[::-1]
        if rng.random() < 0.5:
            crop = crop[:, ::-1]
        if rng.random() < 0.5:
            crop = crop.transpose(1, 0, 2)
        mixing = np.eye(3) + 0.25 * rng.random() * (rng.random((3, 3)) - 0.2)
        mixing /= mixing.sum(1, keepdims=True)
        balance = np.array([1 / (1.2 + 1.6 * rng.random()), 1.0, 1 / (1.0 + 1.6 * rng.random())])
        exposure = 2.0 ** (0.8 - 4.8 * rng.random() ** 1.3)
        crop = np.clip(crop @ mixing.T * balance * exposure, 0, 1)
        out[k, 0], out[k, 1] = crop[0::2, 0::2, 0], crop[0::2, 1::2, 1]
        out[k, 2], out[k, 3] = crop[1::2, 0::2, 1], crop[1::2, 1::2, 2]
    return torch.from_numpy(out)


def noisy(rng, clean):
    """Noise as cameras have it, and stabilisation. Returns the planes over their sigma, sigma over the range, well and read noise.

    Beside Poisson and Gaussian noise: what mending leaves of lines of the read-out, steps of 12 or 14 bits, clipping at black and white, and in
    a third of the cases an estimate of the noise that is wrong by up to 15 %, in gain and in read noise."""
    n = clean.shape[0]
    column = lambda v: torch.tensor(v, dtype=torch.float32).view(n, 1, 1, 1)
    # Most as at high ISO, some as at low.
    low = rng.random(n) < 0.15
    well = column(np.exp(np.where(low, rng.uniform(np.log(3000), np.log(20000), n), rng.uniform(np.log(30), np.log(3000), n))))
    read = column(rng.uniform(1, 4, n))
    electrons = torch.poisson(clean * well) + read * torch.randn_like(clean)
    lines = column(np.where(rng.random(n) < 0.3, 0.15 * rng.random(n), 0.0)) * read
    electrons = electrons + lines * torch.randn(n, 4, clean.shape[2], 1)
    black = column(rng.uniform(1.5, 8, n)) * read  # what the black level leaves room for below
    step = well / column(rng.choice([3600.0, 15000.0, 1e6], n))
    electrons = torch.maximum(torch.minimum(torch.round(electrons / step) * step, well), -black)
    wrong = rng.random(n) < 0.33
    gain = column(np.where(wrong, np.exp(rng.uniform(-0.14, 0.14, n)), 1.0))
    off = column(np.where(wrong, np.exp(rng.uniform(-0.14, 0.14, n)), 1.0))
    # Seen with a gain that is off, everything has another number of electrons; the truth is told in the same.
    well, read, electrons = well * gain, read * off, electrons * gain
    stable = 2 * torch.sqrt(torch.clamp(electrons + 0.375 + read ** 2, min=0))
    return stable, 1 / (2 * torch.sqrt(well + 0.375 + read ** 2)), well, read


def with_noise(clean, well, read):
    electrons = torch.poisson(clean * well) + read * torch.randn_like(clean)
    electrons = torch.minimum(electrons, well * 1.0)
    stable = 2 * torch.sqrt(torch.clamp(electrons + 0.375 + read ** 2, min=0))
    return stable, 1 / (2 * torch.sqrt(well + 0.375 + read ** 2))


class Opinion:
    """The guides of the network's passes, by the program's own code: of its first pass what block matching's first step makes of them, of its second
    what NL-Bayes makes of its own answer, by the weights that the program has."""

    def __init__(self):
        self.program = subprocess.Popen([OPINION], stdin=subprocess.PIPE, stdout=subprocess.PIPE)

    def __call__(self, stable, sigma, number):
        n, _, size, _ = stable.shape
        out = torch.empty_like(stable)
        for k in range(n):
            head = np.array([size, number], "<i4").tobytes() + np.array([1 / sigma[k].item()], "<f4").tobytes()
            self.program.stdin.write(head + stable[k].numpy().astype("<f4").tobytes())
            self.program.stdin.flush()
            out[k] = torch.from_numpy(np.frombuffer(self.program.stdout.read(16 * size * size), "<f4").reshape(4, size, size).copy())
        return out


class Pool:
    """Noisy mosaics with their second opinions. Each is looked at some times, at other places and with rows and columns exchanged,
    before a new one takes its place."""

    def __init__(self, rng, photos, shares, opinion, number, count=224, size=160):
        self.rng, self.photos, self.shares, self.opinion, self.number = rng, photos, shares, opinion, number
        self.count, self.size = count, size
        self.oldest = 0
        self.clean, self.stable, self.second = (torch.empty(count, 4, size, size) for _ in range(3))
        self.sigma, self.well, self.read = (torch.empty(count, 1, 1, 1) for _ in range(3))
        self.renew(count)

    def renew(self, count):
        where = [(self.oldest + k) % self.count for k in range(count)]
        self.oldest = (self.oldest + count) % self.count
        clean = batch(self.rng, self.photos, self.shares, count, self.size)
        stable, sigma, well, read = noisy(self.rng, clean)
        self.clean[where], self.stable[where], self.second[where] = clean, stable, self.opinion(stable, sigma, self.number)
        self.sigma[where], self.well[where], self.read[where] = sigma, well, read

    def draw(self, count, size):
        """Network input, clean, sigma, well, read."""
        some = self.rng.choice(self.count, count, replace=False)
        inputs, clean = torch.empty(count, 9, size, size), torch.empty(count, 4, size, size)
        sigma = self.sigma[some]
        for k, one in enumerate(some):
            y, x = self.rng.integers(0, self.size - size + 1, 2)
            cut = [a[one, :, y:y + size, x:x + size] for a in (self.clean, self.stable, self.second)]
            if self.rng.random() < 0.5:
                cut = [a.transpose(1, 2)[[0, 2, 1, 3]] for a in cut]
            clean[k] = cut[0]
            inputs[k, :4], inputs[k, 4], inputs[k, 5:] = cut[1] * sigma[k], sigma[k, 0], (cut[1] - cut[2]) * (TAKEN * sigma[k])
        return inputs, clean, sigma, self.well[some], self.read[some]


def judged(opinion, number):
    """Pieces of the photographs kept aside at three levels of noise, the same in every run: inputs, targets, sigma."""
    rng = np.random.default_rng(3)
    torch.manual_seed(3)
    photos = [pictures.photograph(p) for p in pictures.ASIDE]
    clean = torch.cat([batch(rng, [p], [1.0], 3, 128) for p in photos])
    well = torch.tensor([1600.0, 400.0, 100.0] * len(photos)).view(-1, 1, 1, 1)
    read = torch.tensor([2.0, 1.8, 1.6] * len(photos)).view(-1, 1, 1, 1)
    stable, sigma = with_noise(clean, well, read)
    target = 2 * torch.sqrt(clean * well + 0.125 + read ** 2)
    return torch.cat([stable * sigma, sigma.expand(-1, 1, 128, 128), (stable - opinion(stable, sigma, number)) * sigma * TAKEN], 1), target, sigma


def judge(net, inputs, target, sigma):
    """Decibels below the noise at the three levels, of the network or (null) of the second opinion."""
    with torch.no_grad():
        found = inputs[:, :4] - inputs[:, 5:] / TAKEN if net is None else torch.cat([net(one) for one in inputs.split(4)])
    error = ((found / sigma - target)[:, :, 8:-8, 8:-8] ** 2).mean((1, 2, 3))
    return [-10 * torch.log10(error[level::3]).mean().item() for level in range(3)]


def loneliness(target):
    """Weights of the fine loss, 1 to 7: high where a point of light stands alone in a calm surround.

    Such points are a few samples in a picture, too few to count in a mean, and the first to be taken for noise."""
    rise = target - F.avg_pool2d(target, 9, 1, 4, count_include_pad=False)
    calm = F.avg_pool2d(rise.abs(), 9, 1, 4, count_include_pad=False) + 0.1
    return 1 + 6 * torch.clamp((rise / calm - 3) / 3, 0, 1) * torch.clamp(rise / 2, 0, 1)


def loss_of(net, inputs, clean, sigma, well, read):
    """In the stabilised domain over sigma the mean distance, its root mean square and, so that calm pictures count as they do in decibels, the
    logarithm of that; and the linear light of 8x8 means over their own noise."""
    found = net(inputs) / sigma
    target = 2 * torch.sqrt(clean * well + 0.125 + read ** 2)
    off = found - target
    root = torch.sqrt((off ** 2).mean((1, 2, 3)) + 1e-6)
    fine = 0.3 * (off.abs() * loneliness(target)).mean((1, 2, 3)) + 0.5 * root + 0.1 * torch.log(root + 0.02)
    linear = found ** 2 / 4 - 0.125 - read ** 2
    spread = torch.sqrt(F.avg_pool2d(clean * well, 8) + read ** 2)
    coarse = (F.avg_pool2d(linear - clean * well, 8) / spread).abs().mean((1, 2, 3))
    return (fine + 0.5 * coarse).mean(), fine.mean().item(), coarse.mean().item()


class Mosaics:
    """The subject as train.py wants it: the network's first pass over a mosaic."""

    name, log, number = "cleaner", LOG, 1

    def __init__(self, step):
        opinion = Opinion()
        self.aside = judged(opinion, self.number)
        photos, shares = pictures.training_set()
        self.pool = Pool(np.random.default_rng(1000 + step), photos, shares, opinion, self.number)

    def loss(self, net, step, count, size):
        if step % 16 == 0:
            self.pool.renew(16)
        inputs, *rest = self.pool.draw(count, size)
        return loss_of(net, inputs.contiguous(memory_format=torch.channels_last), *rest)

    def judge(self, net):
        return judge(net, *self.aside)


class SecondPass(Mosaics):
    """The second pass, guided by what was made of the first one's result, has weights of its own."""

    name, log, number = "second_pass", os.path.join(HERE, "second_pass_log.csv"), 2


def begin_again(net):
    """The second pass starts from the first one's weights."""
    net.load_state_dict(weights.load("cleaner"))
