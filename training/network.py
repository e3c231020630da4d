"""The network: a small U-Net on the stabilised, packed mosaic.

Input  (n, 9, h, w): the planes R, G (row of R), G (row of B), B of the stabilised mosaic divided by the
       photo's range, the noise's standard deviation in the same unit, and, of the four planes, what block matching
       takes out of them, times TAKEN: a second opinion that knows what repeats far away. h and w are
       multiples of 8.
Output (n, 4, h, w): the clean planes: the input minus what the network removes, minus the share of the second opinion
       that it believes at each place.
"""
import torch
from torch import nn

TAKEN = 8.0

class Block(nn.Module):
    """Two 3x3 convolutions with a short cut."""

    def __init__(self, channels):
        super().__init__()
        self.first = nn.Conv2d(channels, channels, 3, padding=1)
        self.second = nn.Conv2d(channels, channels, 3, padding=1)

    def forward(self, x):
        return x + self.second(torch.relu(self.first(x)))


class Up(nn.Module):
    """A transposed 2x2 convolution of stride 2, written as 1x1 convolution and shuffle: the same map, and many times
    faster where the framework has no kernel of its own for the transposed one."""

    def __init__(self, channels, out):
        super().__init__()
        self.spread = nn.Conv2d(channels, 4 * out, 1)

    def forward(self, x):
        return nn.functional.pixel_shuffle(self.spread(x), 2)


class Cleaner(nn.Module):
    def __init__(self, widths=(32, 64, 96, 128)):
        super().__init__()
        a, b, c, d = widths
        self.enter = nn.Conv2d(9, a, 3, padding=1)
        self.down1, self.down2, self.down3 = nn.Conv2d(a, b, 2, 2), nn.Conv2d(b, c, 2, 2), nn.Conv2d(c, d, 2, 2)
        self.enc1, self.enc2, self.enc3 = Block(a), Block(b), Block(c)
        self.deep = Block(d)
        self.up3, self.up2, self.up1 = Up(d, c), Up(c, b), Up(b, a)
        self.dec3, self.dec2, self.dec1 = Block(c), Block(b), Block(a)
        self.leave = nn.Conv2d(a, 8, 3, padding=1)

    def forward(self, x):
        one = self.enc1(torch.relu(self.enter(x)))
        two = self.enc2(torch.relu(self.down1(one)))
        three = self.enc3(torch.relu(self.down2(two)))
        deep = self.deep(torch.relu(self.down3(three)))
        three = self.dec3(torch.relu(three + self.up3(deep)))
        two = self.dec2(torch.relu(two + self.up2(three)))
        one = self.dec1(torch.relu(one + self.up1(two)))
        out = self.leave(one)
        return x[:, :4] - out[:, :4] - out[:, 4:] * x[:, 5:]
