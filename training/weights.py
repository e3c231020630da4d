"""The network's weights as they ship, core/denoise/NAME.weights: numbers of half precision (IEEE 754 binary16, little-endian), layer by layer,
of each its weights, then its bias. core/denoise/network_layers.h reads them.
"""
import os

import numpy as np
import torch

from network import Cleaner

HERE = os.path.dirname(os.path.abspath(__file__))
BLOCKS = ["%s.%s" % (block, half) for block in ("enc1", "enc2", "enc3", "deep") for half in ("first", "second")]
BLOCKS_BACK = ["%s.%s" % (block, half) for block in ("dec1", "dec2", "dec3") for half in ("first", "second")]
LAYERS = ["enter", "down1", "down2", "down3", *BLOCKS, "up1.spread", "up2.spread", "up3.spread", *BLOCKS_BACK, "leave"]
NAMES = [layer + part for layer in LAYERS for part in (".weight", ".bias")]


def path_of(name):
    return os.path.join(HERE, "..", "core", "denoise", name + ".weights")


def load(name):
    """As a state dict in single precision."""
    numbers, state, at = torch.from_numpy(np.fromfile(path_of(name), "<f2").astype("float32")), {}, 0
    shapes = Cleaner().state_dict()
    for key in NAMES:
        count = shapes[key].numel()
        state[key] = numbers[at:at + count].reshape(shapes[key].shape).clone()
        at += count
    if at != len(numbers):
        raise ValueError("%s does not fit the network" % path_of(name))
    return state


def save(name, state):
    numbers = np.concatenate([state[key].detach().contiguous().numpy().astype("<f2").ravel() for key in NAMES])
    numbers.tofile(path_of(name) + ".part")
    os.replace(path_of(name) + ".part", path_of(name))


def steps_of(log):
    """How many steps a log of training tells of."""
    if not os.path.exists(log):
        return 0
    with open(log) as lines:
        return max([int(line.split(",")[0]) for line in lines if line[:1].isdigit()], default=0)
