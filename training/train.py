#!/usr/bin/env python3
"""Train the learned method: python3 training/train.py --minutes 120

Resumes from training/cleaner.pt (weights only, half precision, small) or from the fuller state that it
keeps beside it while it runs. See docs/training.md.
"""
import argparse
import os
import time

import numpy as np
import torch
import torch.nn.functional as F

import pictures
from network import Cleaner

HERE = os.path.dirname(os.path.abspath(__file__))
WEIGHTS, STATE = os.path.join(HERE, "cleaner.pt"), os.path.join(HERE, "state.local.pt")
LOG = os.path.join(HERE, "log.csv")


def batch(rng, photos, weights, count, size):
    """Noiseless packed mosaics in electrons over full well: (count, 4, size, size), 0..1, as a camera sees them."""
    out = np.empty((count, 4, size, size), np.float32)
    for k in range(count):
        photo = photos[rng.choice(len(photos), p=weights)]
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
    """Poisson-Gaussian noise and stabilisation. Returns network input, sigma, well and read variance."""
    n = clean.shape[0]
    well = torch.tensor(np.exp(rng.uniform(np.log(50), np.log(3000), n)), dtype=torch.float32).view(n, 1, 1, 1)
    read = torch.tensor(rng.uniform(1, 4, n), dtype=torch.float32).view(n, 1, 1, 1)
    # The model the user's photo is judged by is an estimate: let it be a little wrong.
    electrons = torch.poisson(clean * well) + read * torch.randn_like(clean)
    electrons = torch.minimum(electrons, well * 1.0)
    stable = 2 * torch.sqrt(torch.clamp(electrons + 0.375 + read ** 2, min=0))
    sigma = 1 / (2 * torch.sqrt(well + 0.375 + read ** 2))
    plane = sigma.expand(n, 1, *clean.shape[2:])
    return torch.cat([stable * sigma, plane], 1), sigma, well, read


def loneliness(target):
    """Weights of the fine loss, 1 to 7: high where a point of light stands alone in a calm surround.

    Such points are a few samples in a picture, too few to count in a mean, and the first to be taken for noise."""
    rise = target - F.avg_pool2d(target, 9, 1, 4, count_include_pad=False)
    calm = F.avg_pool2d(rise.abs(), 9, 1, 4, count_include_pad=False) + 0.1
    return 1 + 6 * torch.clamp((rise / calm - 3) / 3, 0, 1) * torch.clamp(rise / 2, 0, 1)


def loss_of(net, inputs, clean, sigma, well, read):
    """L1 in the stabilised domain over sigma, and the linear light of 8x8 means over their own noise."""
    found = net(inputs) / sigma
    target = 2 * torch.sqrt(clean * well + 0.125 + read ** 2)
    fine = ((found - target).abs() * loneliness(target)).mean((1, 2, 3))
    linear = found ** 2 / 4 - 0.125 - read ** 2
    spread = torch.sqrt(F.avg_pool2d(clean * well, 8) + read ** 2)
    coarse = (F.avg_pool2d(linear - clean * well, 8) / spread).abs().mean((1, 2, 3))
    return (fine + 0.5 * coarse).mean(), fine.mean().item(), coarse.mean().item()


def save(path, content):
    torch.save(content, path + ".part")
    os.replace(path + ".part", path)


def main():
    options = argparse.ArgumentParser(description=__doc__)
    options.add_argument("--minutes", type=float, default=120)
    options.add_argument("--batch", type=int, default=8)
    options.add_argument("--size", type=int, default=96)
    options.add_argument("--rate", type=float, default=6e-4)
    options.add_argument("--threads", type=int, default=2)
    options.add_argument("--final-decay", type=float, default=0.3, help="share of the time in which the rate falls")
    asked = options.parse_args()
    torch.set_num_threads(asked.threads)
    torch.set_flush_denormal(True)

    photos, weights = pictures.training_set()
    # Channels last: the convolutions are half as fast again.
    net, mean = (Cleaner().to(memory_format=torch.channels_last) for _ in range(2))
    adam = torch.optim.Adam(net.parameters(), lr=asked.rate)
    step = 0
    if os.path.exists(STATE):
        state = torch.load(STATE)
        net.load_state_dict(state["net"]), mean.load_state_dict(state["mean"])
        adam.load_state_dict(state["adam"])
        step = state["step"]
    elif os.path.exists(WEIGHTS):
        state = torch.load(WEIGHTS)
        for one in (net, mean):
            one.load_state_dict({k: v.float() for k, v in state["mean"].items()})
        step = state["step"]
    else:
        mean.load_state_dict(net.state_dict())
    rng = np.random.default_rng(1000 + step)
    torch.manual_seed(1000 + step)
    print(sum(p.numel() for p in net.parameters()), "weights; from step", step, flush=True)

    def keep():
        save(STATE, {"net": net.state_dict(), "mean": mean.state_dict(), "adam": adam.state_dict(), "step": step})
        save(WEIGHTS, {"mean": {k: v.half() for k, v in mean.state_dict().items()}, "step": step})

    begun = saved = time.time()
    sums = np.zeros(3)
    while (part := (time.time() - begun) / (60 * asked.minutes)) < 1:
        fall = min(1.0, (1 - part) / max(1e-6, asked.final_decay))
        adam.param_groups[0]["lr"] = asked.rate * (0.03 + 0.97 * fall) * min(1.0, (step + 1) / 200)
        clean = batch(rng, photos, weights, asked.batch, asked.size)
        inputs, sigma, well, read = noisy(rng, clean)
        inputs = inputs.contiguous(memory_format=torch.channels_last)
        loss, fine, coarse = loss_of(net, inputs, clean, sigma, well, read)
        adam.zero_grad()
        loss.backward()
        torch.nn.utils.clip_grad_norm_(net.parameters(), 1.0)
        adam.step()
        step += 1
        share = min(0.999, step / (step + 10.0))
        with torch.no_grad():
            for m, p in zip(mean.parameters(), net.parameters()):
                m.lerp_(p, 1 - share)
        sums += (loss.item(), fine, coarse)
        if step % 100 == 0:
            line = "%d,%.0f,%.5f,%.5f,%.5f" % ((step, time.time() - begun) + tuple(sums / 100))
            print(line, flush=True)
            with open(LOG, "a") as log:
                log.write(line + "\n")
            sums[:] = 0
        if time.time() - saved > 300:
            keep()
            saved = time.time()
    keep()


if __name__ == "__main__":
    main()
