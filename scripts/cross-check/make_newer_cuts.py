#!/usr/bin/env python3
"""Writes exchange/src/test/resources/newer: an older and a newer cut, each in the four formats by OpenTimelineIO 0.18.1 with
its adapters, so that no file of ours stands on either side. The edits: the third clip loses 7 frames at its end, the fifth is
slipped by 10, the seventh is gone, a clip "wave" of 31 frames comes before the ninth, the tenth shows "spray" instead.
Run by hand: make_newer_cuts.py FOLDER
"""
import sys

import opentimelineio as otio
from opentimelineio.opentime import RationalTime, TimeRange

RATE = 24
BEFORE = [("quay_%02d" % i, 1000 + 37 * i, 40 + 3 * i) for i in range(1, 13)]


def after():
    clips = list(BEFORE)
    name, start, length = clips[2]
    clips[2] = (name, start, length - 7)
    name, start, length = clips[4]
    clips[4] = (name, start + 10, length)
    clips[9] = ("spray", 2000, clips[9][2])
    clips.insert(8, ("wave", 500, 31))
    del clips[6]
    return clips


def timeline(clips, named_files):
    track = otio.schema.Track(name="V1", kind="Video")
    for name, start, length in clips:
        media = otio.schema.ExternalReference(
            target_url="file:///low_water/%s.mov" % name,
            available_range=TimeRange(RationalTime(0, RATE), RationalTime(5000, RATE)))
        clip = otio.schema.Clip(name=name + ".mov" if named_files else name, media_reference=media,
                                source_range=TimeRange(RationalTime(start, RATE), RationalTime(length, RATE)))
        clip.metadata["cmx_3600"] = {"reel": "REEL_" + name}
        track.append(clip)
    cut = otio.schema.Timeline(name="low_water", tracks=[track])
    cut.global_start_time = RationalTime(86400, RATE)
    return cut


def write(folder, side, clips):
    otio.adapters.write_to_file(timeline(clips, True), "%s/%s.edl" % (folder, side), rate=RATE)
    otio.adapters.write_to_file(timeline(clips, False), "%s/%s.xml" % (folder, side))
    otio.adapters.write_to_file(timeline(clips, False), "%s/%s.otio" % (folder, side))
    otio.adapters.write_to_file(timeline(clips, False), "%s/%s.aaf" % (folder, side), use_empty_mob_ids=True)


if __name__ == "__main__":
    write(sys.argv[1], "older", BEFORE)
    write(sys.argv[1], "newer", after())
