"""Noisy photos without a mosaic, as files, each with the same one without noise: developed pictures with and without
JPEG's compression, grey ones, linear light, and raws of a sensor with 6x6 cells."""
import os
import struct

import cv2
import numpy as np
from PIL import Image

WIDTH, HEIGHT = 640, 480
# Colours of a 6x6 cell (0 red, 1 green, 2 blue) with two reds and two blues in every row of three cells.
WIDE = np.array([[1, 2, 1, 1, 0, 1], [0, 1, 0, 2, 1, 2], [1, 2, 1, 1, 0, 1],
                 [1, 0, 1, 1, 2, 1], [2, 1, 2, 0, 1, 0], [1, 0, 1, 1, 2, 1]], np.uint8)
MATRIX = [3.2406, -1.5372, -0.4986, -0.9689, 1.8758, 0.0415, 0.0557, -0.2040, 1.0570]  # XYZ to linear sRGB


def tiff(path, samples, extra=()):
    """An uncompressed little-endian TIFF 6.0 of 16-bit samples (h, w, channels), with further tags."""
    h, w, channels = samples.shape
    kinds = {3: "H", 4: "I", 1: "B", 2: "B", 10: "ii"}
    photometric = 1 if channels == 1 else 2
    tags = {254: (4, [0]), 256: (4, [w]), 257: (4, [h]), 258: (3, [16] * channels), 259: (3, [1]), 262: (3, [photometric]),
            277: (3, [channels]), 278: (4, [h]), 279: (4, [samples.size * 2]), 284: (3, [1])}
    tags.update(extra)
    tags[273] = (4, [0])
    names, heap = sorted(tags), b""
    begin = 8 + 2 + 12 * len(names) + 4
    packed = {}
    for name in names:
        kind, values = tags[name]
        data = struct.pack("<" + kinds[kind] * (len(values) // len(kinds[kind])), *values)
        if len(data) > 4:
            packed[name] = (kind, len(values) // len(kinds[kind]), struct.pack("<I", begin + len(heap)))
            heap += data + b"\0" * (len(data) % 2)
        else:
            packed[name] = (kind, len(values), data.ljust(4, b"\0"))
    packed[273] = (4, 1, struct.pack("<I", begin + len(heap)))
    with open(path, "wb") as out:
        out.write(b"II*\0" + struct.pack("<IH", 8, len(names)))
        for name in names:
            kind, count, data = packed[name]
            out.write(struct.pack("<HHI", name, kind, count) + data)
        out.write(struct.pack("<I", 0) + heap + np.ascontiguousarray(samples, "<u2").tobytes())


def dng(path, light, wide):
    """Linear light, 0 at 2048 and 1 at 63488, as a DNG: of all colours, or through the wide mosaic."""
    stored = np.clip(np.round(2048 + 61440 * light), 0, 65535)
    per = 1 if wide else 3
    extra = {50706: (1, [1, 4, 0, 0]), 50708: (2, list(b"Mill\0")), 50721: (10, [v for m in MATRIX for v in (int(m * 10000), 10000)]),
             50778: (3, [21]), 262: (3, [32803 if wide else 34892]), 50713: (3, [1, 1]), 50714: (3, [2048] * per), 50717: (4, [63488] * per)}
    if wide:
        y, x = np.mgrid[0:HEIGHT, 0:WIDTH]
        stored = np.take_along_axis(stored, WIDE[y % 6, x % 6][..., None].astype(int), 2)
        extra.update({33421: (3, [6, 6]), 33422: (1, WIDE.ravel().tolist())})
    tiff(path, stored, extra)


def encoded(light):
    """Linear light to sRGB."""
    light = np.clip(light, 0, 1)
    return np.where(light <= 0.0031308, 12.92 * light, 1.055 * light ** (1 / 2.4) - 0.055)


def noisy(rng, light, well, read):
    return (rng.poisson(np.clip(light, 0, 1) * well) + read * rng.standard_normal(light.shape)) / well


def bayer(light):
    y, x = np.mgrid[0:light.shape[0], 0:light.shape[1]]
    return np.take_along_axis(light, ((y % 2) + (x % 2))[..., None], 2)[..., 0]


def spread_bilinear(mosaic):
    y, x = np.mgrid[0:mosaic.shape[0], 0:mosaic.shape[1]]
    site = (y % 2) + (x % 2)
    cross, square = np.array([[0, 1, 0], [1, 4, 1], [0, 1, 0]]) / 4, np.array([[1, 2, 1], [2, 4, 2], [1, 2, 1]]) / 4
    return np.stack([cv2.filter2D(np.where(site == c, mosaic, 0), -1, cross if c == 1 else square, borderType=cv2.BORDER_REFLECT_101)
                     for c in range(3)], -1)


def spread_linear(mosaic):
    """H. Malvar, L. He, R. Cutler, "High-quality linear interpolation for demosaicing of Bayer-patterned color images", ICASSP 2004."""
    y, x = np.mgrid[0:mosaic.shape[0], 0:mosaic.shape[1]]
    f = lambda rows: cv2.filter2D(mosaic, -1, np.array(rows, float) / 16, borderType=cv2.BORDER_REFLECT_101)
    green = f([[0, 0, -2, 0, 0], [0, 0, 4, 0, 0], [-2, 4, 8, 4, -2], [0, 0, 4, 0, 0], [0, 0, -2, 0, 0]])
    along = f([[0, 0, 1, 0, 0], [0, -2, 0, -2, 0], [-2, 8, 10, 8, -2], [0, -2, 0, -2, 0], [0, 0, 1, 0, 0]])
    down = f(np.array([[0, 0, 1, 0, 0], [0, -2, 0, -2, 0], [-2, 8, 10, 8, -2], [0, -2, 0, -2, 0], [0, 0, 1, 0, 0]]).T)
    other = f([[0, 0, -3, 0, 0], [0, 4, 0, 4, 0], [-3, 0, 12, 0, -3], [0, 4, 0, 4, 0], [0, 0, -3, 0, 0]])
    odd_y, odd_x = y % 2 == 1, x % 2 == 1
    red = np.where(~odd_y & ~odd_x, mosaic, np.where(odd_y & odd_x, other, np.where(odd_x, along, down)))
    blue = np.where(odd_y & odd_x, mosaic, np.where(~odd_y & ~odd_x, other, np.where(odd_x, down, along)))
    return np.stack([red, np.where(odd_y ^ odd_x, mosaic, green), blue], -1)


def spread_by_edges(mosaic):
    stored = np.clip(np.round(4096 + 57344 * mosaic), 0, 65535).astype(np.uint16)
    return cv2.demosaicing(stored, cv2.COLOR_BayerBG2RGB_EA).astype(float) / 57344 - 4096 / 57344


def developer(rng):
    """A way of developing raws that is the same for both pictures: light of all colours (h, w, 3) of a mosaic to sRGB."""
    spread = [spread_bilinear, spread_linear, spread_by_edges][rng.integers(0, 3)]
    mixing = np.eye(3) + rng.random() * np.array([[0.6, -0.45, -0.15], [-0.2, 0.45, -0.25], [0.0, -0.4, 0.4]])
    sharpen, soften = (0.7 * rng.random() if rng.random() < 0.35 else 0.0), (0.5 + 1.5 * rng.random() if rng.random() < 0.25 else 0.0)
    reduce = 0.5 + 0.45 * rng.random() if rng.random() < 0.2 else 1.0
    contrast = 0.8 * rng.random() if rng.random() < 0.6 else 0.0
    black = 0.06 * rng.random() if rng.random() < 0.4 else 0.0

    def develop(mosaic, balance):
        light = (spread(mosaic) / balance) @ mixing.T
        picture = encoded(light)
        picture = np.clip((picture - black) / (1 - black), 0, 1)
        picture = picture + contrast * (picture * picture * (3 - 2 * picture) - picture)
        if soften:
            luminance = picture.mean(2, keepdims=True)
            picture = luminance + cv2.GaussianBlur(picture - luminance, (0, 0), soften)
        if sharpen:
            picture = picture + sharpen * (picture - cv2.GaussianBlur(picture, (0, 0), 1.2))
        if reduce < 1:
            # A larger piece of the scene stands behind it: the sizes of the result are those of all.
            picture = cv2.resize(picture, (WIDTH, HEIGHT), interpolation=cv2.INTER_AREA)
        return np.clip(picture, 0, 1)

    return develop, reduce, mixing


def jpeg(rng, path, picture):
    quality = int(rng.integers(40, 98)) if rng.random() < 0.8 else int(rng.integers(20, 60))
    Image.fromarray(np.round(picture * 255).astype(np.uint8).squeeze()).save(path, quality=quality, subsampling=int(rng.choice([0, 2, 2])))


def crop(rng, photo, width, height):
    if photo.shape[0] < photo.shape[1] and rng.random() < 0.5 and photo.shape[1] >= height and photo.shape[0] >= width:
        photo = photo.transpose(1, 0, 2)
    y, x = rng.integers(0, photo.shape[0] - height + 1), rng.integers(0, photo.shape[1] - width + 1)
    out = photo[y:y + height, x:x + width].astype(np.float64)
    out = out[::-1] if rng.random() < 0.5 else out
    return out[:, ::-1] if rng.random() < 0.5 else out


def make(rng, photo, folder, name, kind=None):
    """Writes both files, of any kind or of one; returns their paths, or nothing where the picture is too small."""
    kind = kind or rng.choice(["jpeg", "tiff", "light", "wide", "grey"], p=[0.52, 0.14, 0.12, 0.14, 0.08])
    well, read = np.exp(rng.uniform(np.log(30), np.log(4000))), rng.uniform(1, 4)
    exposure = 2.0 ** (0.8 - 4.0 * rng.random() ** 1.3)
    clean_path, path = (os.path.join(folder, name + part) for part in ("-clean.tif", ".tif"))
    develop, reduce, mixing = developer(rng)
    if kind in ("light", "wide", "grey"):
        reduce = 1.0
    width, height = int(WIDTH / reduce) // 2 * 2, int(HEIGHT / reduce) // 2 * 2
    if photo.shape[0] < height or photo.shape[1] < width:
        width, height, reduce = WIDTH, HEIGHT, 1.0
    if photo.shape[0] < height or photo.shape[1] < width:
        return None
    light = crop(rng, photo, width, height) * exposure
    balance = np.array([1 / (1.2 + 1.2 * rng.random()), 1.0, 1 / (1.0 + 1.2 * rng.random())])
    if kind == "light" or kind == "wide":
        # Camera colours: mixed, and not yet balanced.
        camera = np.clip(light @ np.linalg.inv(mixing).T * balance, 0, 1)
        path, clean_path = path.replace(".tif", ".dng"), clean_path.replace(".tif", ".dng")
        dng(path, np.minimum(noisy(rng, camera, well, read), 1), kind == "wide")
        dng(clean_path, camera, False)
        return path, clean_path
    if kind == "grey":
        grey = np.clip(light.mean(2, keepdims=True), 0, 1)
        pictures = [encoded(noisy(rng, grey, well, read)), encoded(grey)]
    else:
        mosaic = bayer(np.clip(light @ np.linalg.inv(mixing).T * balance, 0, 1))
        pictures = [develop(np.minimum(noisy(rng, mosaic, well, read), 1), balance), develop(mosaic, balance)]
    tiff(clean_path, np.round(pictures[1] * 65535))
    if kind == "jpeg" or (kind == "grey" and rng.random() < 0.5):
        path = path.replace(".tif", ".jpg")
        jpeg(rng, path, pictures[0])
    else:
        tiff(path, np.round(pictures[0] * 65535))
    return path, clean_path
