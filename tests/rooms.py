#!/usr/bin/python3
"""Fails on an include against the order of core's rooms: a room knows those before it, and none behind."""
import pathlib
import re
import sys

ORDER = ["base", "image", "noise", "graphics", "raw", "reader", "measure", "denoise", "develop", "judge", "deliver",
         "session", "queue"]
RANK = {room: i for i, room in enumerate(ORDER)}

core = pathlib.Path(__file__).resolve().parent.parent / "core"
wrong = []
for file in sorted([*core.rglob("*.h"), *core.rglob("*.cpp")]):
    if file.parent == core:
        continue  # headers compiled beforehand know the libraries alone
    room = file.relative_to(core).parts[0]
    if room not in RANK:
        wrong.append(f"{file}: core has no room {room}; give it a place in the order of {__file__}")
        continue
    for number, line in enumerate(file.read_text().splitlines(), 1):
        included = re.match(r'#include "([a-z]+)/', line)
        if included and RANK.get(included[1], -1) > RANK[room]:
            wrong.append(f"{file}:{number}: {room} may not know {included[1]}")
print("\n".join(wrong), file=sys.stderr) if wrong else None
sys.exit(1 if wrong else 0)
