#!/usr/bin/env python3
"""Train the learned method: python3 training/train.py --minutes 120 [--subject second-pass|pixels]

Needs the programs that give what the product's own code sees (build/release/training, ./irenic build). Resumes from the state that it
keeps while it runs (training/NAME.state.local.pt, not committed), else from the weights that ship (weights.py). export.py ships what came of it. See
docs/training.md.
"""
import argparse
import os
import time

import numpy as np
import torch

import mosaics
import pixels
import weights
from muon import Muon
from network import Cleaner


# What there is to learn, and what it starts from where there are no weights yet.
SUBJECTS = {
    "mosaics": (mosaics.Mosaics, None),
    "second-pass": (mosaics.SecondPass, mosaics.begin_again),
    "pixels": (pixels.Pixels, pixels.begin),
}


def save(path, content):
    torch.save(content, path + ".part")
    os.replace(path + ".part", path)


def main():
    options = argparse.ArgumentParser(description=__doc__)
    options.add_argument("--subject", choices=list(SUBJECTS), default="mosaics")
    options.add_argument("--minutes", type=float, default=120)
    options.add_argument("--batch", type=int, default=8)
    options.add_argument("--size", type=int, default=96)
    options.add_argument("--rate", type=float, default=6e-4)
    options.add_argument("--threads", type=int, default=2)
    options.add_argument("--final-decay", type=float, default=0.3, help="share of the time in which the rate falls")
    asked = options.parse_args()
    torch.set_num_threads(asked.threads)
    torch.set_flush_denormal(True)

    kind, begin = SUBJECTS[asked.subject]
    state_file = os.path.join(weights.HERE, kind.name + ".state.local.pt")
    # Channels last: the convolutions are half as fast again.
    net, mean = (Cleaner().to(memory_format=torch.channels_last) for _ in range(2))
    # The first and the last layer's weights are no maps between features.
    inner = [p for n, p in net.named_parameters() if p.dim() > 1 and not n.startswith(("enter", "leave"))]
    others = [p for p in net.parameters() if all(p is not q for q in inner)]
    optimizers = [Muon(inner, asked.rate), torch.optim.Adam(others, asked.rate)]
    step = 0
    if os.path.exists(state_file):
        state = torch.load(state_file)
        net.load_state_dict(state["net"]), mean.load_state_dict(state["mean"])
        for optimizer, kept in zip(optimizers, state["optimizers"]):
            optimizer.load_state_dict(kept)
        step = state["step"]
    elif os.path.exists(weights.path_of(kind.name)):
        for one in (net, mean):
            one.load_state_dict(weights.load(kind.name))
        step = weights.steps_of(kind.log)
    else:
        if begin:
            begin(net)
        mean.load_state_dict(net.state_dict())
    print(sum(p.numel() for p in net.parameters()), "weights; from step", step, flush=True)

    def keep():
        save(state_file, {"net": net.state_dict(), "mean": mean.state_dict(), "optimizers": [o.state_dict() for o in optimizers],
                          "step": step})

    torch.manual_seed(1000 + step)
    subject = kind(step)
    print("second opinion", *("%.2f" % v for v in subject.judge(None)), "network", *("%.2f" % v for v in subject.judge(mean)), flush=True)
    begun, saved, first = time.time(), time.time(), step
    sums = np.zeros(3)
    while (part := (time.time() - begun) / (60 * asked.minutes)) < 1:
        fall = min(1.0, (1 - part) / max(1e-6, asked.final_decay))
        rate = asked.rate * (0.03 + 0.97 * fall) * min(1.0, (step - first + 1) / 200)
        for optimizer in optimizers:
            optimizer.param_groups[0]["lr"] = rate
        loss, fine, coarse = subject.loss(net, step, asked.batch, asked.size)
        net.zero_grad()
        loss.backward()
        # One photo whose noise was measured as next to nothing must not end everything.
        if not torch.isfinite(torch.nn.utils.clip_grad_norm_(net.parameters(), 1.0)):
            continue
        for optimizer in optimizers:
            optimizer.step()
        step += 1
        # A short memory at first: what comes out early is soon forgotten.
        share = min(0.999, 1 - 10 / (step - first + 20.0) if first == 0 else 0.999)
        with torch.no_grad():
            for m, p in zip(mean.parameters(), net.parameters()):
                m.lerp_(p, 1 - share)
        sums += (loss.item(), fine, coarse)
        if step % 100 == 0:
            line = "%d,%.0f,%.5f,%.5f,%.5f" % ((step, time.time() - begun) + tuple(sums / 100))
            if step % 500 == 0:
                line += "".join(",%.3f" % v for v in subject.judge(mean))
            print(line, flush=True)
            with open(kind.log, "a") as log:
                log.write(line + "\n")
            sums[:] = 0
        if time.time() - saved > 300:
            keep()
            saved = time.time()
    keep()


if __name__ == "__main__":
    main()
