#!/usr/bin/env python3
"""Writes core/denoise/cell_basis.h: python3 training/cell_basis.py

Of 4x4 cells of photographs' mosaics, stabilised, the planes that methods work on (denoise/method.h, planesFrom) under a DCT along rows and
columns: at each frequency the four planes have something in common (white is not where all channels are alike, and what is fine in luminance
shows in all of them), and the eigenvectors of their covariance hold it in few directions."""
import os

import numpy as np

import mosaics
import pictures

FILE = os.path.join(os.path.dirname(os.path.abspath(__file__)), "..", "core", "denoise", "cell_basis.h")
HALF = 0.5 ** 0.5
PLANES = np.array([[0.5, 0.5, 0.5, 0.5], [HALF, 0, 0, -HALF], [0.5, -0.5, -0.5, 0.5], [0, HALF, -HALF, 0]])
TEXT = """// Directions of the four planes in which photographs have most, at each frequency of 4x4 cells: eigenvectors of their
// covariance. Made by training/cell_basis.py, from pictures that nothing is judged on.
#pragma once

namespace irenic {

constexpr int kCellBlock = 4; // cells along a side

// [frequency along y][along x][direction, that of the largest share first][plane]; each 4x4 is orthonormal. At frequency
// 0 the planes themselves.
constexpr float kCellBasis[kCellBlock][kCellBlock][4][4] = {
%s};

} // namespace irenic
"""


def dct(n):
    u, x = np.arange(n)[:, None], np.arange(n)[None]
    m = np.cos(np.pi * (x + 0.5) * u / n) * np.sqrt(2 / n)
    m[0] *= HALF
    return m


def covariance(rounds=150, count=16, size=96):
    """[v][u][plane][plane], mean of mosaics with full wells of 60 to 2500 electrons, in squares of their noise."""
    rng, basis, total = np.random.default_rng(11), dct(4), 0
    photos = [pictures.photograph(p, 2) for p in pictures.TRAIN]
    shares = np.array([np.sqrt(p.shape[0] * p.shape[1]) for p in photos])
    for _ in range(rounds):
        clean = mosaics.batch(rng, photos, shares / shares.sum(), count, size).numpy().astype(float)
        well = np.exp(rng.uniform(np.log(60), np.log(2500), count))[:, None, None, None]
        stable = 2 * np.sqrt(clean * well + 0.375 + 3)
        planes = np.einsum("pc,ncyx->npyx", PLANES, stable)
        blocks = planes.reshape(count, 4, size // 4, 4, size // 4, 4).transpose(0, 2, 4, 1, 3, 5).reshape(-1, 4, 4, 4)
        spectra = np.einsum("vy,ux,npyx->npvu", basis, basis, blocks)
        total = total + np.einsum("npvu,nqvu->vupq", spectra, spectra) / len(spectra)
    # Rows and columns exchanged, both greens change places.
    turned = np.diag([1.0, 1, 1, -1])
    return (total + np.einsum("pq,uvqr,rs->vups", turned, total, turned)) / 2


def directions(of):
    """Largest first, the largest of each positive."""
    vectors = np.linalg.eigh(of)[1][:, ::-1].T
    return vectors * np.sign(vectors[np.arange(4), np.abs(vectors).argmax(1)])[:, None]


def main():
    spread, lines = covariance(), ""
    for v in range(4):
        of = [np.eye(4) if u == v == 0 else directions(spread[v, u]) for u in range(4)]
        lines += "    {%s},\n" % ",\n     ".join("{%s}" % ", ".join("{%s}" % ", ".join("%.7ff" % x for x in row) for row in basis) for basis in of)
    with open(FILE, "w") as out:
        out.write(TEXT % lines)


if __name__ == "__main__":
    main()
