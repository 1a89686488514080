#!/usr/bin/env python3
"""Writes core/src/test/resources/flattened.txt: random masters of several tracks, and what OpenTimelineIO's own algorithms
(flatten_stack, track_trimmed_to_range) make of them, frame by frame. Run by hand with a Python that has opentimelineio;
0.18.1 made the file that is kept. Each case is
    case NAME FROM TO          the range it was trimmed to
    track CLIP:IN:OUT:FROM ...  clips of a track from the bottom up, gaps left out
    seen CLIP:FRAME or - ...   what is seen at each frame from FROM on
"""
import random
import sys

import opentimelineio as otio
from opentimelineio.opentime import RationalTime, TimeRange

RATE = 24


def time(frames):
    return RationalTime(frames, RATE)


def track_and_clips(rng, length, filled):
    track, clips, at = otio.schema.Track(kind="Video"), [], 0
    while at < length:
        size = min(length - at, rng.randint(1, 15))
        if rng.random() < filled:
            clip, start = rng.randint(1, 9), rng.randint(1001, 1100)
            track.append(otio.schema.Clip(name=str(clip), source_range=TimeRange(time(start), time(size))))
            clips.append(f"{clip}:{at}:{at + size}:{start}")
        else:
            track.append(otio.schema.Gap(source_range=TimeRange(time(0), time(size))))
        at += size
    return track, clips


def seen(track):
    frames = []
    for item in track:
        size = int(item.duration().value)
        start = int(item.trimmed_range().start_time.value)
        gap = isinstance(item, otio.schema.Gap)
        frames += ["-" if gap else f"{item.name}:{start + n}" for n in range(size)]
    return frames


def case(number):
    rng = random.Random(number)
    length = rng.randint(30, 80)
    tracks = [track_and_clips(rng, length, 0.9 if n == 0 else 0.4) for n in range(rng.randint(1, 4))]
    flat = otio.algorithms.flatten_stack([track for track, _ in tracks])
    start = rng.randint(0, length // 3)
    end = rng.randint(length // 2, length)
    trimmed = otio.algorithms.track_trimmed_to_range(flat, TimeRange(time(start), time(end - start)))
    print(f"case {number} {start} {end}")
    for _, clips in tracks:
        print("track " + " ".join(clips))
    print("seen " + " ".join(seen(trimmed)))


print(f"# made by OpenTimelineIO {otio.__version__}")
for n in range(int(sys.argv[1]) if len(sys.argv) > 1 else 40):
    case(n)
