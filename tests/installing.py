#!/usr/bin/python3
"""Installs a build into a folder, moves that, and sees that everything works from there. installing.py BUILD SOURCE"""
import json
import os
import pathlib
import re
import shutil
import subprocess
import sys
import tempfile
import xml.dom.minidom

build, source = map(pathlib.Path, sys.argv[1:3])


def run(*words, **more):
    done = subprocess.run([str(w) for w in words], capture_output=True, text=True, **more)
    if done.returncode != 0:
        sys.exit(f"{' '.join(map(str, words))}: {done.returncode}\n{done.stdout}{done.stderr}")
    return done.stdout


def need(condition, sentence):
    if not condition:
        sys.exit(sentence)


# Resources keep no times of files: compiled again, the program has the same bytes.
resources = [*build.glob("app/**/qrc_*.cpp"), build / "app/languages.cpp"]
need(len(resources) > 3, "the program's resources were not found")
for made in resources:
    need("int version = 1;" in made.read_text(), f"{made.name} keeps the times of its files")

with tempfile.TemporaryDirectory() as folder:
    folder = pathlib.Path(folder)
    first, prefix = folder / "first", folder / "moved here"
    run("cmake", "--install", build, "--prefix", first)
    shutil.move(first, prefix)
    place = dict(os.environ, HOME=str(folder), QT_QPA_PLATFORM="offscreen")
    for name in ("XDG_DATA_HOME", "XDG_CONFIG_HOME", "XDG_STATE_HOME", "XDG_CACHE_HOME"):
        place.pop(name, None)
    window, cli = prefix / "bin/irenic", prefix / "bin/irenic-cli"
    version = re.search(r"project\(irenic VERSION ([0-9.]+)", (source / "CMakeLists.txt").read_text())[1]
    need(version in run(cli, "--version", env=place), "irenic-cli has another version")
    need(version in run(window, "--version", env=place), "irenic has another version")

    # The decoder is found from where the program is, and works behind its walls.
    run(cli, "demo-data", folder / "mill", "--scale", "0.05", env=place)
    raw = sorted((folder / "mill").glob("*.dng"))[0]
    told = json.loads(run(cli, "inspect", raw, "--json", env=place))
    need(told[0]["sandboxed"], "the installed decoder was not found, or has no sandbox")
    run(cli, "clean", raw, "--method", "wavelet", "--output", folder / "clean.dng", env=place)
    need((folder / "clean.dng").stat().st_size > 1000, "nothing was written")

    # Pages and completion know every option.
    share = prefix / "share"
    page = (share / "man/man1/irenic.1").read_text().replace("\\-", "-")
    plain = " ".join(re.sub(r"\\f[A-Z]", "", page).split())
    told = " ".join(run(window, "--help", env=place).split("Options:")[1].split("Arguments:")[0].split())
    for option, sentence in re.findall(r"(--[a-z-]+)(?: <[^>]+>)? ([A-Z].*?)(?= -[a-z], --| --[a-z]|$)", told):
        need(option in page, f"irenic.1 does not know {option}")
        need(option in ("--help", "--help-all", "--version") or sentence in plain,
             f"irenic.1 says something else of {option}: {sentence}")
    page = (share / "man/man1/irenic-cli.1").read_text().replace("\\-", "-")
    script = share / "bash-completion/completions/irenic-cli"
    run("bash", "-n", script)

    def completed(*words):
        line = " ".join(f'"{w}"' for w in words)
        return run("bash", "-c", f'. "{script}"; COMP_WORDS=({line}); COMP_CWORD={len(words) - 1}; _irenic_cli; '
                                 'printf "%s\\n" "${COMPREPLY[@]}"', cwd=folder).split("\n")

    for command in re.findall(r"^  ([a-z][a-z-]+) {2,}", run(cli, "--help", env=place), re.M):
        need(f".SS {command}\n" in page, f"irenic-cli.1 does not know {command}")
        need(command in completed("irenic-cli", command[:2]), f"{command} is not completed")
        for option in re.findall(r"--[a-z-]+", run(cli, command, "--help", env=place)):
            need(option in ("--help", "--help-all") or option in page, f"irenic-cli.1 does not know {command} {option}")
    need("--method" in completed("irenic-cli", "clean", "--me"), "options are not completed")
    need("mill" in completed("irenic-cli", "clean", "mi"), "files are not completed")
    need("retry" in completed("irenic-cli", "queue", "re"), "commands of the queue are not completed")

    # What the desktop reads.
    entry = share / "applications/org.irenic.Irenic.desktop"
    for line in entry.read_text().splitlines():
        if line.startswith("Exec="):
            need(line.split()[0] == "Exec=irenic", line)
    need((share / "icons/hicolor/scalable/apps/org.irenic.Irenic.svg").exists(), "the icon is missing")
    for name in ("metainfo/org.irenic.Irenic.metainfo.xml", "mime/packages/irenic.xml",
                 "icons/hicolor/scalable/apps/org.irenic.Irenic.svg"):
        xml.dom.minidom.parse(str(share / name))
    for tool, *words in (("desktop-file-validate", entry),
                         ("appstreamcli", "validate", "--no-net", share / "metainfo/org.irenic.Irenic.metainfo.xml")):
        if shutil.which(tool):
            run(tool, *words)
    need((share / "doc/irenic/copyright").exists(), "the licences are missing")
