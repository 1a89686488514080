#!/usr/bin/env python3
"""Opens files that ./fresh-splice convert wrote with independent libraries, and compares what they read with our
reading: every clip of every picture lane and its place. Run by hand, from the project's root, with a Python that has
opentimelineio (0.18.1 was used) and its adapters for xml, aaf and edl:

    python scripts/cross-check/written_files.py FILE ...

Needs the command line to be built (./fresh-splice read builds it). Prints a line for each file and format.
"""
import json
import os
import subprocess
import sys
import tempfile
from fractions import Fraction

import opentimelineio as otio

FORMATS = ["xml", "otio", "aaf", "edl"]
HOME = os.path.dirname(os.path.dirname(os.path.dirname(os.path.abspath(__file__))))


def ours(path, *more):
    out = subprocess.run([os.path.join(HOME, "fresh-splice"), "read", path, *more], capture_output=True, text=True)
    return json.loads(out.stdout) if out.returncode == 0 else {"error": out.stderr.strip() or out.stdout.strip()}


def our_pieces(reading):
    """(lane, offset from the cut's start, length) of each clip in picture lanes, and the length of its source range."""
    cut = reading["cuts"][0]
    pieces = []
    lanes = [lane for lane in cut["lanes"] if lane["kind"] == "picture"]
    for index, lane in enumerate(lanes):
        edges = {t["cut"]: t for t in lane.get("transitions", [])}
        for event in lane["events"]:
            if event["kind"] != "clip":
                continue
            start, end = event["record"]
            for t in edges.values():
                a, b = t["record"]
                start = t["cut"] if start == a and b <= end else start
                end = t["cut"] if end == b and a >= event["record"][0] else end
            pieces.append((index, start - cut["start"], end - start))
    return Fraction(cut["rate"]), sorted(pieces)


def their_pieces(path, ending, rate):
    args = {"rate": float(rate)} if ending == "edl" else {"simplify": True} if ending == "aaf" else {}
    timeline = otio.adapters.read_from_file(path, **args)
    if isinstance(timeline, otio.schema.SerializableCollection):
        timeline = next(t for t in timeline if isinstance(t, otio.schema.Timeline))
    pieces = []
    for index, track in enumerate(timeline.video_tracks()):
        for clip in track.find_clips():
            if isinstance(clip.media_reference, otio.schema.GeneratorReference):
                continue
            place = clip.range_in_parent() if clip.parent() is track else None
            if place is not None:
                pieces.append((index, round(place.start_time.value_rescaled_to(float(rate))),
                               round(place.duration.value_rescaled_to(float(rate)))))
    return sorted(pieces)


def check(path):
    reading = ours(path)
    if "error" in reading:
        print(f"{os.path.basename(path):34} not read by us: {reading['error'][:80]}")
        return
    rate, _ = our_pieces(reading)
    for ending in FORMATS:
        with tempfile.TemporaryDirectory() as folder:
            out = os.path.join(folder, "written." + ending)
            made = subprocess.run([os.path.join(HOME, "fresh-splice"), "convert", path, out], capture_output=True, text=True)
            if made.returncode != 0:
                print(f"{os.path.basename(path):34} {ending:5} not written: {made.stderr.strip()[:80]}")
                continue
            more = ["--rate", str(rate)] if ending == "edl" else []
            _, mine = our_pieces(ours(out, *more))
            try:
                theirs = their_pieces(out, ending, rate)
            except Exception as error:  # the library's own limits are told, not hidden
                print(f"{os.path.basename(path):34} {ending:5} the library stops: {type(error).__name__}: {str(error)[:90]}")
                continue
            same = "same" if mine == theirs else f"differs: {len(mine)} pieces of ours, {len(theirs)} of theirs"
            print(f"{os.path.basename(path):34} {ending:5} {len(mine):5} pieces  {same}")
            if mine != theirs and os.environ.get("SHOW"):
                for piece in sorted(set(mine) ^ set(theirs))[:8]:
                    print("      ", "ours  " if piece in mine else "theirs", piece)


for name in sys.argv[1:]:
    check(name)
