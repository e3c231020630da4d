#!/usr/bin/python3
"""Thousands of hostile inputs of every kind that strangers hand us, through the programs as they ship.

Photos, sidecars, presets, export settings, queues, XMP and files to resume from are made of good ones, by changes at random
(bytes, lengths, pieces of themselves over others, cuts, deep nesting, numbers beyond all measure), and given to irenic-cli;
sessions, sidecars and queues to the window. Counted: signals, hangs above 60 s, more than 2 GB, words like "terminate",
originals that changed. Ends with status 1 where anything was counted.

    hostile.py [--build build/release] [--count 10000] [--seed 1] [--only KIND] [--minutes N]
"""
import argparse
import concurrent.futures
import hashlib
import json
import os
import pathlib
import random
import resource
import shutil
import signal
import sqlite3
import subprocess
import sys
import tempfile
import time

HANG, MEMORY = 60, 2 << 30


def digest(path):
    return hashlib.sha256(pathlib.Path(path).read_bytes()).hexdigest()


class Found:
    """What a run must not do."""

    def __init__(self):
        self.runs, self.inputs, self.faults, self.status = 0, 0, [], {}

    def add(self, other):
        self.runs += other.runs
        self.inputs += other.inputs
        self.faults += other.faults
        for k, v in other.status.items():
            self.status[k] = self.status.get(k, 0) + v


def run(words, found, inputs, env=None, window=None):
    """One run of a program; `window`: seconds after which it is asked to end."""
    begun = time.monotonic()
    process = subprocess.Popen([str(w) for w in words], stdout=subprocess.DEVNULL, stderr=subprocess.PIPE, env=env,
                               preexec_fn=lambda: resource.setrlimit(resource.RLIMIT_CORE, (0, 0)))
    asked = False
    if window:
        try:
            process.wait(window)
        except subprocess.TimeoutExpired:
            asked = True
            process.send_signal(signal.SIGTERM)
    try:
        _, said = process.communicate(timeout=HANG)
    except subprocess.TimeoutExpired:
        process.kill()
        _, said = process.communicate()
        found.faults.append(("hang", words))
        return None
    took = time.monotonic() - begun
    found.runs += 1
    found.inputs += inputs
    status = process.returncode
    found.status[status] = found.status.get(status, 0) + 1
    if asked and status in (-signal.SIGTERM, 0):
        status = 0
    if status not in (0, 1, 2):
        found.faults.append((f"status {status}", words))
    if b"terminate called" in said or b"AddressSanitizer" in said:
        found.faults.append(("terminate", words))
    if took > HANG:
        found.faults.append((f"{took:.0f} s", words))
    if resource.getrusage(resource.RUSAGE_CHILDREN).ru_maxrss * 1024 > MEMORY:
        found.faults.append(("memory", words))
    return status


def changed(data, dice):
    """Bytes changed here and there, now and then cut, repeated, or with a piece of itself over another."""
    data = bytearray(data)
    tail = min(len(data), 4000)
    for _ in range(dice.randint(1, 12)):
        if not data:
            break
        at = dice.randrange(len(data))
        if dice.random() < 0.6:
            at = dice.choice([dice.randrange(tail), len(data) - 1 - dice.randrange(tail)])
        data[at] = dice.choice([0, 1, 0x7F, 0x80, 0xFF, dice.randrange(256)])
    if dice.random() < 0.15:
        data = data[: dice.randrange(len(data) + 1)]
    if dice.random() < 0.15 and len(data) > 64:
        n = dice.randrange(48)
        a, b = dice.randrange(len(data) - n), dice.randrange(len(data) - n)
        data[b : b + n] = data[a : a + n]
    if dice.random() < 0.03:
        data += data * dice.randrange(3)
    return bytes(data)


EXTREME = [None, True, -1, 0, 1e300, -1e300, 4294967295, 18446744073709551615, "", "x" * 100000, [], {}, [[]], "nan", "\u0000",
           "../../../../etc/passwd", "/dev/zero", "\ud800"]


def changed_json(value, dice, depth=0):
    """A value with members replaced, repeated, dropped, nested."""
    if dice.random() < 0.025:
        return dice.choice(EXTREME)
    if dice.random() < 0.01:
        deep = value
        for _ in range(dice.choice([5, 30, 300])):
            deep = [deep]
        return deep
    if isinstance(value, dict):
        out = {}
        for k, v in value.items():
            if dice.random() < 0.03:
                continue
            out[k if dice.random() < 0.97 else k + "x"] = changed_json(v, dice, depth + 1)
        return out
    if isinstance(value, list):
        out = [changed_json(v, dice, depth + 1) for v in value]
        if out and dice.random() < 0.06:
            out = out * dice.choice([2, 40, 400])
        return out
    if isinstance(value, (int, float)) and dice.random() < 0.3:
        return dice.choice([value * -1, value * 1e6, value + 0.5, 0])
    return value


def json_text(value, dice):
    text = json.dumps(changed_json(value, dice)).encode("utf-8", "surrogatepass")
    if dice.random() < 0.3:
        text = changed(text, dice)
    if dice.random() < 0.02:
        text = b'{"irenic":1,"a":' + b"[" * dice.choice([1000, 100000])
    return text


def settings(method="wavelet"):
    return {"method": method, "luminance": 1.0, "colour": 1.0, "coarse": 1.0, "detail": 0.25, "grain": 0.1, "mend": True}


SIDECAR = {"irenic": 1, "takes": [{"id": 1, "letter": "A", "name": "a", "settings": settings()},
                                  {"id": 2, "letter": "B", "name": "", "settings": settings("nlm")}],
           "probes": [{"id": 3, "name": "darkest", "reason": "dark", "x": 40, "y": 30, "width": 64, "height": 48}],
           "look": {"exposure": 0.5, "curve": "0:0;0.5:0.6;1:1"}, "chosen": 1,
           "references": [{"id": 9, "file": "/nowhere.tif", "matched": True}],
           "exports": [{"file": "/nowhere.dng", "when": "2026-01-15 22:10:00", "take": "A"}],
           "recommended": {"settings": settings(), "risk": {"luminance": 0.1, "colour": 0.1}},
           "kept": [{"name": "k", "when": "2026-01-15 22:10:00", "state": {"takes": [{"settings": settings()}]}}],
           "pastedProbes": {"probes": [{"x": 3, "y": 4}], "width": 100, "height": 80}}
SESSION = {"irenicSession": 1, "photos": [], "shown": "", "view": {"zoom": 1, "panX": 3, "panY": 4, "push": 1},
           "layout": "AdnQywADAAAAAAAA AAAA"}
DELIVERIES = ["dng", "tiff,bits=8,longest=2048", "jpeg,quality=85,name={stem}-{counter},folder=web", "png,bits=16,percent=50",
              "jxl,quality=90,conflict=refuse", "dng,linear,fullPreview,packing=none"]
PACKET = (b'<?xpacket begin="" id="W5M0MpCehiHzreSzNTczkc9d"?><x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF '
          b'xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description rdf:about="" '
          b'xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:xmpMM="http://ns.adobe.com/xap/1.0/mm/" '
          b'dc:format="image/dng" xmpMM:DocumentID="a"><dc:title><rdf:Alt><rdf:li xml:lang="x-default">tide</rdf:li>'
          b'</rdf:Alt></dc:title></rdf:Description></rdf:RDF></x:xmpmeta><?xpacket end="w"?>')


class Attack:
    def __init__(self, build, seeds, seed):
        self.cli, self.app, self.seeds = build / "cli/irenic-cli", build / "app/irenic", seeds
        self.dice, self.found = random.Random(seed), Found()
        self.folder = pathlib.Path(tempfile.mkdtemp(prefix="irenic-hostile-"))
        self.env = dict(os.environ, QT_QPA_PLATFORM="offscreen", IRENIC_GRAPHICS="off",
                        **{f"XDG_{n}_HOME": str(self.folder / n) for n in ("DATA", "STATE", "CONFIG", "CACHE")})

    def file(self, name, data):
        path = self.folder / name
        if path.is_dir() and not path.is_symlink():
            shutil.rmtree(path)
        elif path.exists() or path.is_symlink():
            path.unlink()
        path.write_bytes(data)
        return path

    def held(self, files):
        return {f: digest(f) for f in files}

    def check(self, before, words):
        for f, d in before.items():
            if not f.exists() or digest(f) != d:
                self.found.faults.append(("an original has changed", [f, *words]))

    def photos(self):
        many = []
        for i in range(6):
            seed = self.dice.choice(self.seeds)
            many.append(self.file(f"p{i}{seed.suffix}", changed(seed.read_bytes(), self.dice)))
        before = self.held(many)
        if self.dice.random() < 0.6:
            words = [self.cli, "inspect", *many, "--json"]
        else:
            words = [self.cli, "clean", *many, "--method", "wavelet", "--format",
                     self.dice.choice(["dng", "tiff", "jpeg", "png"]), "--out", self.folder / "out", "--look",
                     "distortion,vignetting,chromatic"]
        run(words, self.found, len(many), self.env)
        self.check(before, words)
        shutil.rmtree(self.folder / "out", ignore_errors=True)

    def sidecars(self):
        photo = self.file("s.dng", self.seeds[0].read_bytes())
        before = self.held([photo])
        sidecar = self.file("s.dng.irenic.json", json_text(SIDECAR, self.dice))
        run([self.cli, "clean", "/nowhere.dng", "--take", sidecar], self.found, 1, self.env)
        run([self.cli, "state", photo, "--json"], self.found, 0, self.env)
        self.check(before, ["state"])
        for f in self.folder.glob("s.dng.irenic*"):
            f.unlink()

    def presets(self):
        preset = {"irenicPreset": 1, "settings": settings(), "look": SIDECAR["look"]}
        run([self.cli, "clean", "/nowhere.dng", "--take", self.file("preset.json", json_text(preset, self.dice))],
            self.found, 1, self.env)

    def deliveries(self):
        text = changed(self.dice.choice(DELIVERIES).encode(), self.dice).replace(b"\0", b"0").decode("latin-1")
        if self.dice.random() < 0.2:
            text += "," + self.dice.choice(["name=", "folder=", "profile="]) + self.dice.choice(["x" * 100000, "../../x", "{", "%s%n"])
        text = text[:100000]
        if text.startswith("-"):
            text = "x" + text
        run([self.cli, "clean", "/nowhere.dng", "--method", "wavelet", "--deliver", text], self.found, 1, self.env)

    def queues(self):
        path = self.folder / "q.sqlite"
        for f in self.folder.glob("q.sqlite*"):
            shutil.rmtree(f) if f.is_dir() else f.unlink()
        subprocess.run([self.cli, "clean", "/nowhere.dng", "/nowhere2.dng", "--method", "wavelet", "--later", "--queue", path],
                       stdout=subprocess.DEVNULL, env=self.env)
        if self.dice.random() < 0.5:
            db = sqlite3.connect(path)
            column = self.dice.choice(["wish", "state", "tries", "target", "digest", "progress", "beat", "owner", "place"])
            value = self.dice.choice([None, 1e300, -1, 99, "x", "[" * 5000, b"\xff\xfe", "x" * 3000000, 2 ** 62])
            try:
                db.execute(f"UPDATE jobs SET {column} = ?", (value,))
                db.commit()
            except sqlite3.Error:
                pass
            db.close()
        else:
            db = sqlite3.connect(path)
            db.execute("PRAGMA journal_mode=DELETE")
            db.close()
            path.write_bytes(changed(path.read_bytes(), self.dice))
        run([self.cli, "queue", "list", "--queue", path, "--json"], self.found, 1, self.env)
        run([self.cli, "queue", self.dice.choice(["retry", "clear"]), "--queue", path], self.found, 0, self.env)
        if self.dice.random() < 0.2:
            run([self.cli, "queue", "run", "--queue", path], self.found, 0, self.env)

    def notes(self):
        """XMP of photos that are exported, and files of ours that --resume looks into."""
        photo = self.folder / "n.dng"
        data = self.seeds[0].read_bytes()
        self.file("n.dng", data)
        packet = changed(PACKET, self.dice)
        if self.dice.random() < 0.05:
            packet = PACKET.replace(b"tide", b"<a>" * 3000)
        self.file("packet.xmp", packet)
        subprocess.run(["exiftool", "-q", "-q", "-overwrite_original", f"-XMP<={self.folder / 'packet.xmp'}", photo],
                       stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
        before = self.held([photo])
        ending = self.dice.choice(["tiff", "jpeg", "png", "jxl"])
        out = self.folder / f"n-out.{ending}"
        if out.exists():
            out.unlink()
        words = [self.cli, "clean", photo, "--method", "wavelet", "--format", ending, "--output", out]
        if run(words, self.found, 1, self.env) == 0:
            out.write_bytes(changed(out.read_bytes(), self.dice))
            run([*words, "--resume"], self.found, 1, self.env)
            run([*words, "--overwrite"], self.found, 0, self.env)
        self.check(before, words)

    def windows(self):
        photo = self.file("w.dng", self.seeds[0].read_bytes())
        before = self.held([photo])
        self.file("w.dng.irenic.json", json_text(SIDECAR, self.dice))
        data = self.folder / "DATA/irenic"
        data.mkdir(parents=True, exist_ok=True)
        session = dict(SESSION, photos=[str(photo), "/nowhere.dng"], shown=str(photo))
        (data / "session.json").write_bytes(json_text(session, self.dice))
        state = self.folder / "STATE/irenic"
        state.mkdir(parents=True, exist_ok=True)
        queue = state / "queue.sqlite"
        for f in state.glob("queue.sqlite*"):
            f.unlink()
        if self.dice.random() < 0.5:
            queue.write_bytes(bytes(self.dice.randrange(256) for _ in range(5000)))
        config = self.folder / "CONFIG/irenic"
        config.mkdir(parents=True, exist_ok=True)
        (config / "irenic.conf").write_bytes(
            changed(b"[deliver]\nlast=tiff,bits=8\n[deliveries]\nsmall=jpeg,quality=80\n[greys]\n[drawer]\nheight=9\n", self.dice))
        run([self.app], self.found, 3, self.env, window=1.5)
        self.check(before, ["window"])
        for f in self.folder.glob("w.dng.irenic*"):
            f.unlink()


KINDS = {"photos": (0.40, 6), "sidecars": (0.15, 1), "presets": (0.10, 1), "deliveries": (0.10, 1), "queues": (0.08, 1),
         "notes": (0.12, 2), "windows": (0.05, 3)}


def work(kind, count, build, seeds, seed, until):
    attack = Attack(build, seeds, seed)
    try:
        for _ in range(count):
            if time.time() > until:
                break
            getattr(attack, kind)()
    finally:
        shutil.rmtree(attack.folder, ignore_errors=True)
    return kind, attack.found


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("--build", default="build/release", type=pathlib.Path)
    parser.add_argument("--count", default=10000, type=int)
    parser.add_argument("--seed", default=1, type=int)
    parser.add_argument("--only", choices=KINDS)
    parser.add_argument("--minutes", default=60, type=float, help="ends then, with what was done")
    asked = parser.parse_args()
    build = asked.build.resolve()
    until = time.time() + 60 * asked.minutes
    with tempfile.TemporaryDirectory() as folder:
        folder = pathlib.Path(folder)
        cli = build / "cli/irenic-cli"
        subprocess.run([cli, "demo-data", folder, "--scale", "0.05"], check=True, stdout=subprocess.DEVNULL)
        first = folder / "mill-01.dng"
        for ending in ("tiff", "png", "jpeg", "dng"):
            subprocess.run([cli, "clean", first, "--method", "wavelet", "--format", ending, "--output",
                            folder / f"made.{ending}"], check=True, stdout=subprocess.DEVNULL)
        seeds = sorted(folder.iterdir())
        seeds.insert(0, seeds.pop(seeds.index(first)))
        jobs = []
        for n, (kind, (share, each)) in enumerate(KINDS.items()):
            if asked.only and kind != asked.only:
                continue
            total = max(1, round(asked.count * (1 if asked.only else share) / each))
            parts = 20  # kinds take turns
            for p in range(parts):
                jobs.append((kind, (total + parts - 1) // parts, build, seeds, asked.seed * 1000 + n * 10 + p, until))
        jobs.sort(key=lambda j: j[4] % 10)
        all_found = {}
        with concurrent.futures.ProcessPoolExecutor(os.cpu_count()) as pool:
            for kind, found in pool.map(work, *zip(*jobs)):
                all_found.setdefault(kind, Found()).add(found)
    faults = 0
    print(f"{'kind':12} {'inputs':>7} {'runs':>6} {'faults':>6}  statuses")
    for kind, found in all_found.items():
        print(f"{kind:12} {found.inputs:7} {found.runs:6} {len(found.faults):6}  {dict(sorted(found.status.items()))}")
        faults += len(found.faults)
        for what, words in found.faults[:5]:
            print("   ", what, *[str(w)[:200] for w in words])
    print(f"{sum(f.inputs for f in all_found.values())} inputs, {faults} faults")
    return 1 if faults else 0


if __name__ == "__main__":
    sys.exit(main())
