#!/usr/bin/env python3
"""Ship what was trained: python3 training/export.py cleaner (or second_pass, pixel_cleaner)

training/NAME.state.local.pt, which training keeps, -> core/denoise/NAME.weights (see weights.py) and tests/NAME.check, an input with its
result. Without that state the weights that ship are checked anew. Debian: python3-torch.
"""
import os
import sys

import torch

import weights
from network import Cleaner

HERE = weights.HERE


def main():
    name = sys.argv[1]
    kept = os.path.join(HERE, name + ".state.local.pt")
    if os.path.exists(kept):
        weights.save(name, torch.load(kept)["mean"])
    net = Cleaner()
    net.load_state_dict(weights.load(name))
    net.eval()
    # What the network makes of a small picture, for the test that compares.
    with torch.no_grad():
        planes = 0.1 + 0.8 * torch.rand(1, 9, 32, 32, generator=torch.Generator().manual_seed(5))
        planes[:, 4] = 0.05
        planes[:, 5:] -= 0.5
        clean = net(planes)
    with open(os.path.join(HERE, "..", "tests", name + ".check"), "wb") as out:
        for t in (planes, clean):
            out.write(t[0].permute(1, 2, 0).contiguous().numpy().astype("<f4").tobytes())
    print(weights.path_of(name), os.path.getsize(weights.path_of(name)), "bytes")


if __name__ == "__main__":
    main()
