"""Noiseless pictures to learn from: photographs of two Debian packages, and textures made here.

Every picture is a float16 array (height, width, 3) of linear light, 0..1. Photographs are halved in
size first, which removes most of what their compression left.
"""
import os

import numpy as np
from PIL import Image, ImageDraw, ImageFont

NATURE = "/usr/share/backgrounds/mate/nature/"
WALLPAPERS = "/usr/share/wallpapers/"

# Learned from.
TRAIN = [NATURE + n for n in ("Aqua.jpg", "Blinds.jpg", "FreshFlower.jpg", "Garden.jpg",
                              "GreenMeadow.jpg", "LadyBird.jpg", "Wood.jpg", "YellowFlower.jpg")]
TRAIN += ["/usr/share/backgrounds/mate/abstract/Elephants_3840x2160.jpg"]
TRAIN += [WALLPAPERS + n + "/contents/images/2560x1600.jpg" for n in
          ("ColdRipple", "DarkestHour", "FallenLeaf", "Kite", "OneStandsOut", "Path", "summer_1am")]

# Never learned from: kept aside for judging (bench/quality uses the same list).
ASIDE = [NATURE + n for n in ("Dune.jpg", "RainDrops.jpg", "Storm.jpg", "TwoWings.jpg")]
ASIDE += [WALLPAPERS + n + "/contents/images/2560x1600.jpg" for n in
          ("BytheWater", "ColorfulCups", "EveningGlow", "Grey")]


def linear(srgb):
    """sRGB in 0..1 to linear light (IEC 61966-2-1)."""
    return np.where(srgb <= 0.04045, srgb / 12.92, ((srgb + 0.055) / 1.055) ** 2.4)


def photograph(path, by=2):
    """One photograph, reduced to a half (or a third: finer texture) by a box filter in linear light."""
    picture = linear(np.asarray(Image.open(path).convert("RGB"), np.float32) / 255.0)
    h, w = picture.shape[0] // by * by, picture.shape[1] // by * by
    picture = picture[:h, :w].reshape(h // by, by, w // by, by, 3).mean((1, 3))
    return picture.astype(np.float16)


def dead_leaves(rng, size=768):
    """Occluding discs with power-law radii (Lee, Mumford and Huang, 2001), some of them textured."""
    picture = np.full((size, size, 3), 0.3, np.float32)
    y, x = np.mgrid[0:size, 0:size].astype(np.float32)
    for _ in range(1400):
        radius = min(160.0, 3.0 * (1.0 - rng.random()) ** -0.7)
        cx, cy = rng.random(2) * size
        x0, x1 = max(0, int(cx - radius) - 1), min(size, int(cx + radius) + 2)
        y0, y1 = max(0, int(cy - radius) - 1), min(size, int(cy + radius) + 2)
        xs, ys = x[y0:y1, x0:x1], y[y0:y1, x0:x1]
        cover = np.clip(radius - np.hypot(xs - cx, ys - cy) + 0.5, 0, 1)[..., None]
        colour = rng.random(3) ** 2 * (0.2 + 0.8 * rng.random())
        shade = np.ones_like(xs)
        if rng.random() < 0.4:
            angle, period = rng.random() * np.pi, 2.2 + 12 * rng.random()
            phase = (np.cos(angle) * xs + np.sin(angle) * ys) * 2 * np.pi / period
            shade += (0.1 + 0.4 * rng.random()) * np.sin(phase)
        elif rng.random() < 0.5:
            shade += 0.15 * rng.standard_normal(xs.shape)
        leaf = np.clip(colour * shade[..., None], 0, 1)
        picture[y0:y1, x0:x1] = picture[y0:y1, x0:x1] * (1 - cover) + leaf * cover
    return picture.astype(np.float16)


def points_of_light(rng, size=768):
    """Small lights on near black, from single pixels to soft discs."""
    picture = np.full((size, size, 3), 0.002 + 0.02 * rng.random(), np.float32)
    y, x = np.mgrid[-8:9, -8:9].astype(np.float32)
    for _ in range(1500):
        cx, cy = rng.integers(8, size - 9, 2)
        dx, dy = rng.random(2) - 0.5
        spread = 0.5 + 1.2 * rng.random() ** 2
        spot = np.exp(-((x - dx) ** 2 + (y - dy) ** 2) / (2 * spread ** 2))[..., None]
        # As many faint ones as bright ones: the faint are those that get lost.
        colour = 10 ** (-2.2 + 2.2 * rng.random()) * (0.6 + 0.4 * rng.random(3))
        picture[cy - 8:cy + 9, cx - 8:cx + 9] += spot * colour
    return np.clip(picture, 0, 1).astype(np.float16)


def lettering(rng, size=768):
    """Painted letters in many sizes and colours."""
    image = Image.new("RGB", (size, size), tuple(int(v) for v in rng.integers(0, 120, 3)))
    draw = ImageDraw.Draw(image)
    for _ in range(220):
        font = ImageFont.truetype("/usr/share/fonts/truetype/dejavu/DejaVuSans-Bold.ttf",
                                  int(rng.integers(8, 64)))
        text = "".join(chr(rng.integers(48, 91)) for _ in range(rng.integers(2, 9)))
        draw.text(tuple(int(v) for v in rng.integers(-40, size, 2)), text, font=font,
                  fill=tuple(int(v) for v in rng.integers(0, 256, 3)))
    return linear(np.asarray(image, np.float32) / 255).astype(np.float16)


def gratings(rng, size=768):
    """Patches of sine gratings, from wide to near the limit of what the mosaic holds, and flat fields."""
    picture = np.zeros((size, size, 3), np.float32)
    step = 128
    y, x = np.mgrid[0:step, 0:step].astype(np.float32)
    for top in range(0, size, step):
        for left in range(0, size, step):
            colour = rng.random(3) ** 2
            angle, period = rng.random() * np.pi, 2.0 + 20 * rng.random() ** 2
            wave = np.sin((np.cos(angle) * x + np.sin(angle) * y) * 2 * np.pi / period)
            depth = rng.random() if rng.random() < 0.6 else 0.0
            picture[top:top + step, left:left + step] = colour * (1 + depth * wave[..., None]) / 2
    return picture.astype(np.float16)


def weave(rng, size=768):
    """Cloth: threads over and under one another, bent, of uneven thickness and brightness, lit from one side."""
    y, x = np.mgrid[0:size, 0:size].astype(np.float32)
    bend = lambda scale: sum(rng.random() * np.sin((rng.standard_normal() * x + rng.standard_normal() * y) * 2 * np.pi / (scale * (0.5 + rng.random())))
                             for _ in range(4)).astype(np.float32)
    period = 2.6 + 7 * rng.random() ** 1.5
    u = (x + 1.2 * bend(180)) * np.pi / period
    v = (y + 1.2 * bend(180)) * np.pi / period
    over = np.sin(u) * np.sin(v) > 0
    thread = np.where(over, np.abs(np.sin(u)), np.abs(np.sin(v)))
    slub = 1 + 0.25 * np.where(over, bend(40), bend(40)) / 4
    light = 0.25 + 0.75 * np.clip(0.5 + bend(500) / 5, 0, 1)
    colour = (0.15 + 0.6 * rng.random()) * (0.6 + 0.4 * rng.random(3))
    depth = 0.2 + 0.7 * rng.random()
    cloth = (1 - depth + depth * thread) * slub * light
    return np.clip(cloth[..., None] * colour, 0, 1).astype(np.float16)


def training_set(seed=7):
    """All pictures to learn from, as (list of arrays, probabilities)."""
    rng = np.random.default_rng(seed)
    photos = [photograph(p, by) for p in TRAIN if os.path.exists(p) for by in (2, 3)]
    made = [dead_leaves(rng) for _ in range(6)] + [points_of_light(rng) for _ in range(6)]
    made += [weave(rng) for _ in range(5)]
    made += [lettering(rng) for _ in range(2)] + [gratings(rng) for _ in range(2)]
    area = np.array([np.sqrt(p.shape[0] * p.shape[1]) for p in photos])
    weights = np.concatenate([0.62 * area / area.sum(), np.full(len(made), 0.38 / len(made))])
    return photos + made, weights
