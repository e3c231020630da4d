"""Noiseless pictures to learn from: photographs of Debian packages, and textures made here.

Every picture is a float16 array (height, width, 3) of linear light, 0..1. Photographs are halved in
size first, which removes most of what their compression left.
"""
import glob
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
SKIMAGE = "/usr/lib/python3/dist-packages/skimage/data/"
ASIDE_SMALL = [SKIMAGE + n for n in ("coffee.png", "chelsea.png", "motorcycle_left.png", "hubble_deep_field.jpg")]

# Cut-out photographs and textures taken from photographs, among many drawings: photographic() tells which.
CUT_OUT = ["/usr/share/tuxpaint/stamps/**/*.png", "/usr/share/stellarium/landscapes/**/*.png"]
TEXTURES = ["/usr/share/games/supertuxkart/data/**/*.jpg", "/usr/share/games/supertuxkart/data/**/*.png",
            SKIMAGE + "astronaut.png", SKIMAGE + "grass.png", SKIMAGE + "gravel.png", SKIMAGE + "ihc.png",
            SKIMAGE + "rocket.jpg", SKIMAGE + "brick.png"]


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


def smooth_field(rng, size, falls):
    """Noise whose amplitude falls with that power of frequency, of mean 0 and deviation 1."""
    fy, fx = np.fft.fftfreq(size)[:, None], np.fft.rfftfreq(size)[None]
    f = np.hypot(fy, fx)
    f[0, 0] = 1
    white = np.fft.rfft2(rng.standard_normal((size, size)))
    field = np.fft.irfft2(white * f ** -falls * (f < 1), s=(size, size))
    return ((field - field.mean()) / field.std()).astype(np.float32)


def bands(rng, size=768):
    """What stays the same along a line, straight, bent or round, and changes across it, sharply or softly: wires, edges, grain, folds."""
    y, x = np.mgrid[0:size, 0:size].astype(np.float32)
    if rng.random() < 0.3:
        cx, cy = (rng.random(2) * 3 - 1) * size
        u = np.hypot(x - cx, y - cy)
    else:
        angle = rng.random() * np.pi
        u = np.cos(angle) * x + np.sin(angle) * y
    u = u + 60 * rng.random() ** 2 * smooth_field(rng, size, 2.6)
    u -= u.min()
    fine = 4  # places of the profile for each pixel
    length = int(u.max() * fine) + 8
    profile, at, widest = np.zeros((length, 3), np.float32), 0, 10 ** (0.8 + 1.5 * rng.random())
    while at < length:
        width = int(fine * (1.5 + widest * rng.random() ** 2))
        level = 10 ** (-2.5 + 2.5 * rng.random()) * (0.5 + 0.5 * rng.random(3))
        profile[at:at + width] = level * (1 + 0.6 * (rng.random() - 0.5) * np.linspace(-1, 1, len(profile[at:at + width]))[:, None])
        at += width
    grain = np.cumsum(rng.standard_normal(length))
    grain -= np.convolve(grain, np.ones(161) / 161, "same")
    profile *= np.clip(1 + 0.12 * rng.random() ** 2 * grain / grain.std(), 0, None)[:, None].astype(np.float32)
    blur = int(fine * (1 + 5 * rng.random() ** 3))
    for _ in range(2):
        profile = np.stack([np.convolve(profile[:, c], np.ones(blur) / blur, "same") for c in range(3)], 1)
    light = 2.0 ** (1.5 * rng.random() * smooth_field(rng, size, 2.4))
    picture = profile[np.clip((u * fine).astype(int), 0, length - 1)] * light[..., None]
    return np.clip(picture, 0, 1).astype(np.float16)


def soft(rng, size=768):
    """Out of focus: slow changes of light and colour, and discs with soft edges; some with faint fine texture."""
    base = smooth_field(rng, size, 1.7 + 1.3 * rng.random())
    tint = [smooth_field(rng, size, 2.6) for _ in range(3)]
    picture = np.stack([2.0 ** (-2 - 3 * rng.random() + 0.9 * base + 0.5 * t) for t in tint], -1)
    y, x = np.mgrid[0:size, 0:size].astype(np.float32)
    for _ in range(rng.integers(0, 25)):
        (cx, cy), radius, edge = rng.random(2) * size, 6 + 60 * rng.random(), 1 + 10 * rng.random() ** 2
        cover = np.clip((radius - np.hypot(x - cx, y - cy)) / edge + 0.5, 0, 1)[..., None]
        picture = picture + cover * rng.random() ** 2 * 0.6 * rng.random(3)
    if rng.random() < 0.4:
        picture = picture * (1 + 0.03 * smooth_field(rng, size, 0.5 * rng.random()))[..., None]
    return np.clip(picture, 0, 1).astype(np.float16)


def photographic(rgba):
    """How sharp a photograph is once it is halved (the share of pixels that stand out from a blur of their surround); 0 for a drawing.

    Drawings have large areas of one value, or few colours; photographs hardly have two equal neighbours."""
    seen = rgba[..., 3] > 250
    pairs = seen[:, 1:] & seen[:, :-1]
    if pairs.sum() < 8000:
        return 0.0
    grey = rgba[..., :3].astype(np.float32).mean(2)
    step = np.abs(np.diff(grey, axis=1))[pairs]
    colours = len(np.unique((rgba[..., :3][seen][::5] // 4).astype(np.int32) @ np.array([1, 64, 4096])))
    if (step == 0).mean() > 0.12 or colours < 40 * np.log2(1 + seen.sum() / 1000):
        return 0.0
    return float((step > 3).mean())


def halved(rgba, by=2):
    """Linear light and how much of each pixel is covered, reduced by a box filter."""
    h, w = rgba.shape[0] // by * by, rgba.shape[1] // by * by
    cover = (rgba[:h, :w, 3:] / 255.0).astype(np.float32)
    light = linear(rgba[:h, :w, :3].astype(np.float32) / 255.0) * cover
    box = lambda a: a.reshape(h // by, by, w // by, by, -1).mean((1, 3))
    light, cover = box(light), box(cover)
    return light / np.maximum(cover, 1e-3), cover


def found(patterns, least, most_bytes=12e6):
    """Photographs that match, halved, with what weight each deserves: the sharper the more."""
    out = []
    for pattern in patterns:
        for path in sorted(glob.glob(pattern, recursive=True)):
            if not 8000 < os.path.getsize(path) < most_bytes:
                continue
            try:
                image = Image.open(path)
                if min(image.size) < least or max(image.size) > 4096:
                    continue
                rgba = np.asarray(image.convert("RGBA"))
            except (OSError, ValueError):
                continue
            sharp = photographic(rgba)
            if sharp > 0.15:
                light, cover = halved(rgba)
                out.append((light.astype(np.float16), cover.astype(np.float16), sharp))
    return out


def collage(rng, things, size=768):
    """Cut-out photographs laid over each other on a soft ground, turned over, brighter and darker."""
    picture = soft(rng, size).astype(np.float32)
    weights = np.array([t[2] for t in things])
    for _ in range(60):
        light, cover, _ = things[rng.choice(len(things), p=weights / weights.sum())]
        if rng.random() < 0.5:
            light, cover = light[:, ::-1], cover[:, ::-1]
        h, w = light.shape[:2]
        top, left = int(rng.integers(-h // 2, size - h // 2)), int(rng.integers(-w // 2, size - w // 2))
        y0, x0, y1, x1 = max(0, top), max(0, left), min(size, top + h), min(size, left + w)
        if y1 <= y0 or x1 <= x0:
            continue
        piece = light[y0 - top:y1 - top, x0 - left:x1 - left].astype(np.float32) * 2.0 ** rng.uniform(-1.5, 0.3)
        over = cover[y0 - top:y1 - top, x0 - left:x1 - left].astype(np.float32)
        picture[y0:y1, x0:x1] = picture[y0:y1, x0:x1] * (1 - over) + piece * over
    return np.clip(picture, 0, 1).astype(np.float16)


def spread(picture, size=640):
    """Mirrored until it is at least that large."""
    h, w = picture.shape[:2]
    return np.pad(picture, ((0, max(0, size - h)), (0, max(0, size - w)), (0, 0)), "symmetric")


def training_set(seed=7):
    """All pictures to learn from, as (list of arrays, probabilities).

    Photographs are half of what is drawn; cut-outs and textures a quarter; what is made here the rest."""
    rng = np.random.default_rng(seed)
    photos = [photograph(p, by) for p in TRAIN if os.path.exists(p) for by in (2, 3)]
    made = [dead_leaves(rng) for _ in range(6)] + [points_of_light(rng) for _ in range(6)]
    made += [weave(rng) for _ in range(5)]
    made += [lettering(rng) for _ in range(2)] + [gratings(rng) for _ in range(2)]
    made += [bands(rng) for _ in range(16)] + [soft(rng) for _ in range(16)]
    things, textures = found(CUT_OUT, 128), found(TEXTURES, 300)
    collages = [collage(rng, things) for _ in range(24)] if things else []
    surfaces = [spread(t[0]) for t in textures]
    area = np.array([np.sqrt(p.shape[0] * p.shape[1]) for p in photos])
    shares = [0.5 * area / area.sum(), np.full(len(made), 0.28 / len(made))]
    if collages:
        shares.append(np.full(len(collages), 0.14 / len(collages)))
    if surfaces:
        sharp = np.array([t[2] for t in textures])
        shares.append(0.08 * sharp / sharp.sum())
    weights = np.concatenate(shares)
    print(len(photos), "photographs,", len(things), "cut-outs,", len(surfaces), "textures,", len(made), "made", flush=True)
    return photos + made + collages + surfaces, weights / weights.sum()
