#!/usr/bin/python3
"""A night's work under bad luck: many photos through the queue and the command line while workers are killed, all is
killed, the disk fills and cannot be written; every good photo must end exported once, equal to an undisturbed run.

batch.py [--photos 200] [--kills 20] [--machines] [--build build/release]: Markdown on standard output. As root, for
the small disk (a tmpfs) and the ssh server; with --machines only what several machines share. Exit status 1 where
anything is not as it must be, 77 where --machines cannot be tried.
"""
import argparse
import hashlib
import os
import random
import re
import shutil
import signal
import socket
import subprocess
import sys
import tempfile
import threading
import time
from pathlib import Path

METHOD = ["--method", "wavelet", "--format", "jpeg"]


def photos_in(folder, cli, count):
    """Raws of 2 MP; every tenth is broken: cut off, nonsense or empty by turns."""
    made = folder / "made"
    subprocess.run([cli, "demo-data", made, "--scale", "0.41"], check=True, stdout=subprocess.DEVNULL)
    raws = sorted(p for p in made.glob("*.dng"))
    all_photos = folder / "photos"
    all_photos.mkdir()
    good = []
    for i in range(count):
        photo = all_photos / f"tide-{i:03}.dng"
        whole = raws[i % len(raws)].read_bytes()
        if i % 10 == 9:
            photo.write_bytes([whole[:len(whole) // 2], b"nothing of a photo " * 999, b""][i // 10 % 3])
        else:
            photo.write_bytes(whole)
            good.append(photo)
    shutil.rmtree(made)
    return sorted(all_photos.iterdir()), good


def digests(folder):
    """Of every file, but for the number that each document has for itself (XMP's InstanceID and DocumentID)."""
    own = re.compile(rb"xmp\.[id]id:[0-9a-f-]{36}")
    return {p.name: hashlib.sha256(own.sub(b"", p.read_bytes())).hexdigest() for p in sorted(folder.iterdir())}


def started(command):
    return subprocess.Popen([str(c) for c in command], stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL,
                            start_new_session=True)


def kill_all(process):
    try:
        os.killpg(process.pid, signal.SIGKILL)
    except ProcessLookupError:
        pass
    process.wait()


def children_of(pid):
    listed = subprocess.run(["pgrep", "-P", str(pid)], capture_output=True, text=True).stdout.split()
    return [int(p) for p in listed]


def memory_of(pid):
    """Own memory of a process in megabytes (Pss); 0 when it is gone."""
    try:
        for line in Path(f"/proc/{pid}/smaps_rollup").read_text().splitlines():
            if line.startswith("Pss:"):
                return int(line.split()[1]) / 1024
    except (OSError, ProcessLookupError):
        pass
    return 0.0


class Disk:
    """A small disk that can be filled, emptied and made read-only."""

    def __init__(self, folder, megabytes):
        self.folder = folder
        folder.mkdir()
        subprocess.run(["mount", "-t", "tmpfs", "-o", f"size={megabytes}m", "tmpfs", folder], check=True)
        self.out, self.filler = folder / "out", folder / "filler"
        self.out.mkdir()

    def fill(self):
        with open(self.filler, "wb", buffering=0) as f:
            try:
                while True:
                    f.write(b"\0" * (1 << 20))
            except OSError:
                pass

    def empty(self):
        self.filler.unlink(missing_ok=True)

    def writable(self, yes):
        subprocess.run(["mount", "-o", "remount,rw" if yes else "remount,ro", self.folder], check=False)

    def close(self):
        subprocess.run(["umount", "-l", self.folder], check=False)


def disturb(disk, rng, process_of, over):
    """Until `over`: a worker dies, the disk fills for a while, cannot be written for a while."""
    while not over.wait(rng.uniform(0.5, 2)):
        what = rng.choice(["worker", "worker", "full", "read-only"])
        if what == "worker":
            workers = children_of(process_of().pid)
            if workers:
                try:
                    os.kill(rng.choice(workers), signal.SIGKILL)
                except ProcessLookupError:
                    pass
        elif what == "full":
            disk.fill()
            over.wait(rng.uniform(0.3, 1))
            disk.empty()
        else:
            disk.writable(False)
            over.wait(rng.uniform(0.2, 0.6))
            disk.writable(True)
    disk.empty()
    disk.writable(True)


def under_bad_luck(disk, rng, kills, command, again):
    """Runs `command`, killed that many times at random moments, and until it ends; then `again` until nothing is left."""
    current = [started(command)]
    over = threading.Event()
    trouble = threading.Thread(target=disturb, args=(disk, rng, lambda: current[0], over))
    trouble.start()
    for _ in range(kills):
        time.sleep(rng.uniform(0.5, 3))
        kill_all(current[0])
        current[0] = started(command)
    over.set()
    trouble.join()
    current[0].wait()
    # What failed for want of room is asked for once more, on a disk that is well again.
    for step in again:
        subprocess.run([str(c) for c in step], stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL, check=False)


def shared_by_machines(folder, cli, photos):
    """GNU parallel on this machine and, by ssh to itself, on another one, which both get all photos."""
    if not shutil.which("parallel") or not os.path.exists("/usr/sbin/sshd") or os.geteuid() != 0:
        return None
    keys = folder / "keys"
    keys.mkdir(mode=0o700)
    for key in ("host", "user"):
        subprocess.run(["ssh-keygen", "-q", "-t", "ed25519", "-N", "", "-f", keys / key], check=True)
    shutil.copy(keys / "user.pub", keys / "allowed")
    Path("/run/sshd").mkdir(exist_ok=True)
    with socket.socket() as free:
        free.bind(("localhost", 0))
        port = free.getsockname()[1]
    server = started(["/usr/sbin/sshd", "-D", "-p", port, "-o", f"HostKey={keys}/host", "-o", "UsePAM=no", "-o",
                      f"AuthorizedKeysFile={keys}/allowed", "-o", "StrictModes=no", "-f", "/dev/null"])
    time.sleep(1)
    out = folder / "shared"
    ssh = f"ssh -p {port} -i {keys}/user -o StrictHostKeyChecking=no -o UserKnownHostsFile=/dev/null -q localhost"
    try:
        reached = subprocess.run([*ssh.split(), "true"], timeout=30, stdin=subprocess.DEVNULL).returncode == 0
    except subprocess.TimeoutExpired:
        reached = False
    if not reached:
        kill_all(server)
        return None
    call = f"{cli} clean {{}} {' '.join(METHOD)} --out {out} --resume --json"
    runs = [started(["parallel", "--will-cite", "-S", who, "-j", "1", call, ":::", *photos])
            for who in (":", ssh)]
    for run in runs:
        run.wait()
    kill_all(server)
    return out


def main():
    options = argparse.ArgumentParser(description=__doc__)
    options.add_argument("--photos", type=int, default=200)
    options.add_argument("--kills", type=int, default=20)
    options.add_argument("--machines", action="store_true")
    options.add_argument("--build", default="build/release")
    options.add_argument("--seed", type=int, default=5)
    asked = options.parse_args()
    cli = Path(asked.build).resolve() / "cli" / "irenic-cli"
    rng = random.Random(asked.seed)
    folder = Path(tempfile.mkdtemp(prefix="irenic-batch-"))
    wrong = []

    def compare(name, out, reference):
        found = digests(out) if out.exists() else {}
        hidden = [n for n in found if n.startswith(".")]
        missing = [n for n in reference if n not in found]
        others = [n for n in found if n not in reference]
        unlike = [n for n in reference if n in found and found[n] != reference[n]]
        fine = not (missing or others or unlike)
        if not fine:
            wrong.append(name)
            print(name, "missing", missing[:5], "others", others[:5], "unlike", unlike[:5], file=sys.stderr)
        print(f"| {name} | {len(reference)} | {len(missing)} | {len(unlike)} | {len(others)} ({len(hidden)} hidden) |",
              flush=True)

    try:
        photos, good = photos_in(folder, cli, asked.photos)
        # Undisturbed, one after the other: the reference, the rate of single photos, and the memory.
        alone = folder / "alone"
        process = started([cli, "clean", *photos, *METHOD, "--out", alone])
        begun, memory = time.time(), []
        while process.poll() is None:
            memory.append(memory_of(process.pid))
            time.sleep(0.1)
        single = time.time() - begun
        reference = digests(alone)
        if asked.machines:
            shared = shared_by_machines(folder, cli, photos)
            if shared is None:
                sys.exit(77)
            compare("GNU parallel, here and by ssh, one folder", shared, reference)
            sys.exit(1 if wrong or len(reference) != len(good) else 0)
        together = folder / "together"
        begun = time.time()
        started([cli, "clean", *photos, *METHOD, "--out", together, "--jobs", 2]).wait()
        batch = time.time() - begun
        print(f"{len(photos)} photos of 2 MP, {len(photos) - len(good)} of them broken, wavelet to JPEG\n")
        quarter = len(memory) // 4
        second, last = (sorted(memory[q * quarter:(q + 1) * quarter]) for q in (1, 3))
        grown = last[len(last) // 2] / max(1e-9, second[len(second) // 2]) - 1
        print(f"- one after the other {len(good) / single:.2f} photos/s, two at a time {len(good) / batch:.2f}: "
              f"{100 * single / batch:.0f} % (asked: 90 %)")
        print(f"- memory of the process, middle of the last quarter over that of the second: {100 * grown:+.1f} % "
              f"({second[len(second) // 2]:.0f} MB; asked: 5 %)\n")
        print("| run | good photos | missing | unlike the undisturbed run | other files |\n|---|---|---|---|---|")
        if len(reference) != len(good):
            wrong.append("undisturbed")
        compare("two at a time", together, reference)

        disk = Disk(folder / "disk-1", 500)
        command = [cli, "clean", *photos, *METHOD, "--out", disk.out, "--resume", "--jobs", 2]
        under_bad_luck(disk, rng, asked.kills, command, [command])
        compare(f"command line, killed {asked.kills} times", disk.out, reference)
        disk.close()

        disk, queue = Disk(folder / "disk-2", 500), folder / "queue.sqlite"
        subprocess.run([cli, "clean", *photos, *METHOD, "--out", disk.out, "--later", "--queue", queue], check=True,
                       stdout=subprocess.DEVNULL)
        work = [cli, "queue", "run", "--queue", queue, "--jobs", "2"]
        under_bad_luck(disk, rng, asked.kills, work, [[cli, "queue", "retry", "--queue", queue], work])
        compare(f"queue, killed {asked.kills} times", disk.out, reference)
        disk.close()

        shared = shared_by_machines(folder, cli, photos)
        if shared is None:
            print("\nNo GNU parallel or no ssh server here: sharing a folder was not tried.")
        else:
            compare("GNU parallel, here and by ssh, one folder", shared, reference)
    finally:
        for mounted in folder.glob("disk-*"):
            subprocess.run(["umount", "-l", mounted], check=False, stderr=subprocess.DEVNULL)
        shutil.rmtree(folder, ignore_errors=True)
    sys.exit(1 if wrong else 0)


if __name__ == "__main__":
    main()
