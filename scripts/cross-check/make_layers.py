#!/usr/bin/env python3
"""Writes cli/src/test/resources/layers_and_curves_24.aaf object by object with pyaaf2 (1.7.1 made the file that is kept),
and beside it the reading that must come out, reasoned from the AAF Object Specification 1.1: nested scopes with a lane each,
references to the slot before, effects with several pictures, mattes, pieces switched off, clips without a source, position
curves with fixed and proportional times, points between frames, nine decimals, a timecode on the master mob alone, and
colours of markers. Run by hand: make_layers.py FOLDER
"""
import json
import os
import sys
from fractions import Fraction

import aaf2
from aaf2.auid import AUID

RATE = 24
START = 86400
PROPORTIONAL, FIXED = "Proportional", "RelativeFixed"


def rational(text):
    return aaf2.rational.AAFRational(text)


class Writer:
    def __init__(self, f):
        self.f = f
        self.masters = {}
        for name, auid, warp, inputs in (
                ("Warp", "a4b0d1c2-11aa-4c00-8c11-000000000001", True, 1),
                ("Keyed picture", "a4b0d1c2-11aa-4c00-8c11-000000000002", False, 3),
                ("Layers", "a4b0d1c2-11aa-4c00-8c11-000000000003", False, 3),
                ("Numbers over all", "a4b0d1c2-11aa-4c00-8c11-000000000004", False, 1)):
            definition = f.create.OperationDef(AUID(auid), name)
            definition["IsTimeWarp"].value = warp
            definition.media_kind = "picture"
            definition["NumberInputs"].value = inputs
            f.dictionary.register_def(definition)
        for name, auid in (("POSITION_OVER_TIME", "a4b0d1c2-11aa-4c00-8c11-000000000005"),):
            f.dictionary.register_def(f.create.ParameterDef(AUID(auid), name, "", f.dictionary.lookup_typedef("Rational")))

    def master(self, name, start, length=500, on_master=False):
        """A master mob over a file mob; its timecode lies on a tape mob, or on the master mob alone."""
        f = self.f
        source = f.create.SourceMob(name)
        source.descriptor = f.create.CDCIDescriptor()
        for key, value in (("SampleRate", RATE), ("ComponentWidth", 8), ("HorizontalSubsampling", 2), ("StoredHeight", 720),
                           ("StoredWidth", 1280), ("FrameLayout", "FullFrame"), ("VideoLineMap", [0, 0]),
                           ("ImageAspectRatio", "16/9")):
            source.descriptor[key].value = value
        source.descriptor["Length"].value = length
        locator = f.create.NetworkLocator()
        locator["URLString"].value = "file:///cut/%s.mov" % name
        source.descriptor["Locator"].append(locator)
        slot = source.create_picture_slot(RATE)
        if on_master:
            slot.segment = f.create.SourceClip(length=length, media_kind="picture")
            slot.segment["SourceID"].value = aaf2.mobid.MobID()
        else:
            tape = f.create.SourceMob("TP" + name)
            tape.descriptor = f.create.TapeDescriptor()
            picture = tape.create_picture_slot(RATE)
            picture.segment = f.create.Filler("picture", 24 * 3600 * RATE)
            timecode = tape.create_timeline_slot(RATE)
            timecode.segment = f.create.Timecode(RATE)
            timecode.segment.start, timecode.segment.length = start, 24 * 3600 * RATE
            f.content.mobs.append(tape)
            slot.segment = tape.create_source_clip(picture.slot_id, 0, length, "picture")
        f.content.mobs.append(source)
        master = f.create.MasterMob(name)
        for _ in range(2):
            out = master.create_picture_slot(RATE)
            out.segment = source.create_source_clip(slot.slot_id, 0, length, "picture")
        if on_master:
            code = master.create_timeline_slot(RATE)
            code.segment = f.create.Timecode(RATE)
            code.segment.start, code.segment.length = start, length
        f.content.mobs.append(master)
        self.masters[name] = (master, [s.slot_id for s in master.slots])
        return master

    def clip(self, name, start, length, slot=0):
        master, slots = self.masters[name]
        return master.create_source_clip(slots[slot], start, length, "picture")

    def below(self, length, scope=0):
        reference = self.f.create.ScopeReference()
        reference.media_kind = "picture"
        reference.length = length
        reference["RelativeScope"].value, reference["RelativeSlot"].value = scope, 1
        return reference

    def sequence(self, *parts):
        sequence = self.f.create.Sequence("picture")
        sequence["Components"].extend(parts)
        sequence.length = sum(p.length for p in parts)
        return sequence

    def group(self, name, length, *inputs):
        group = self.f.create.OperationGroup(self.f.dictionary.lookup_operationdef(name), length, "picture")
        group.segments.extend(inputs)
        return group

    def curve(self, length, hint, points, source, eased=False):
        group = self.group("Warp", length, source)
        value = self.f.create.VaryingValue()
        value.parameterdef = self.f.dictionary.lookup_parameterdef("POSITION_OVER_TIME")
        value["Interpolation"].value = self.f.dictionary.lookup_interperlationdef(
            "CubicInterp" if eased else "LinearInterp")
        for time, position in points:
            point = self.f.create.ControlPoint()
            point["ControlPointSource"].value = 2
            point["EditHint"].value = hint
            point["Time"].value = rational(time)
            point["Value"].value = rational(position)
            value["PointList"].append(point)
        group.parameters.append(value)
        return group


def write(path):
    with aaf2.open(path, "w") as f:
        for name in ("CubicInterp", "LinearInterp"):
            ids = {"LinearInterp": "5b6c85a4-0ede-11d3-80a9-006008143e6f",
                   "CubicInterp": "a4b0d1c2-11aa-4c00-8c11-000000000006"}
            f.dictionary.register_def(f.create.InterpolationDef(AUID(ids[name]), name, ""))
        w = Writer(f)
        for name, start in (("stall", 90000), ("kettle", 95000), ("quay", 100000)):
            w.master(name, start)
        w.master("title", 86400, on_master=True)
        bottom = w.sequence(w.clip("stall", 10, 24), w.clip("kettle", 7, 24), f.create.Filler("picture", 52))
        muted = f.create.Selector("picture", 10)
        muted["Selected"].value = w.below(10)
        muted["Alternates"].append(w.clip("quay", 200, 10))
        lost = f.create.SourceClip(length=10, media_kind="picture")
        lost["SourceID"].value = aaf2.mobid.MobID()
        middle = w.sequence(
            w.below(10), w.clip("quay", 5, 20), w.below(10),
            w.group("Numbers over all", 10, w.sequence(w.below(10, 1))),
            w.group("Keyed picture", 10, w.sequence(w.below(10, 1)), w.clip("title", 3, 10), w.clip("title", 3, 10, 1)),
            w.group("Layers", 10, w.sequence(w.below(10, 1)), w.clip("stall", 50, 10),
                    w.sequence(w.below(4), w.clip("kettle", 60, 6))),
            muted, lost, w.below(10))
        halves = [("%d/2" % i, "%d/4" % (i * i)) for i in range(17)]
        top = w.sequence(
            w.curve(10, PROPORTIONAL, [("0/1", "0/1"), ("1/1", "99/1")], w.clip("stall", 0, 100)),
            w.curve(16, PROPORTIONAL, [("0/1", "0/1"), ("4/15", "45/8"), ("11/15", "75/8"), ("1/1", "15/1")],
                    w.sequence(w.clip("kettle", 32, 16)), eased=True),
            w.curve(9, PROPORTIONAL, [("-4/1", "-31/1"), ("67/8", "67/1")], w.sequence(w.clip("quay", 31, 9))),
            w.curve(8, FIXED, [("0/1", "0/1"), ("8/1", "16/1")], w.clip("stall", 20, 15)),
            w.curve(8, FIXED, halves, w.clip("kettle", 100, 64)),
            w.curve(6, FIXED, [("0/1", "0/1"), ("3/1", "909090909/1000000000"), ("6/1", "1818181818/1000000000")],
                    w.clip("quay", 40, 2)),
            w.below(43))
        scope = f.create.NestedScope()
        scope.media_kind, scope.length = "picture", 100
        scope["Slots"].extend([bottom, middle, top])
        cut = f.create.CompositionMob("Layers and curves")
        cut.usage = "Usage_TopLevel"
        slot = cut.create_timeline_slot(RATE)
        slot.segment = scope
        code = cut.create_timeline_slot(RATE)
        code.segment = f.create.Timecode(RATE)
        code.segment.start, code.segment.length = START, 100
        events = f.create.EventMobSlot()
        events.slot_id, events.edit_rate = 50, RATE
        marks = f.create.Sequence("DescriptiveMetadata")
        for at, text, tag in ((5, "look", "Green"), (60, "again", None)):
            mark = f.create.DescriptiveMarker()
            mark.media_kind = "DescriptiveMetadata"
            mark["Position"].value, mark["Comment"].value = at, text
            if tag:
                mark["CommentMarkerAttributeList"].append(f.create.TaggedValue("MARK_COLOUR", tag))
            mark["CommentMarkerColor"].value = {"red": 13107, "green": 52428, "blue": 13107}
            marks["Components"].append(mark)
        events.segment = marks
        cut.slots.append(events)
        f.content.mobs.append(cut)


SOURCES = {"stall": 90000, "kettle": 95000, "quay": 100000, "title": 86400}


def plain(value):
    value = Fraction(value)
    return value.numerator if value.denominator == 1 else "%d/%d" % (value.numerator, value.denominator)


def event(name, record, start, to, speed=1, keys=None, enabled=True, zero=START):
    base = SOURCES[name]
    source = {"name": name, "file": "/cut/%s.mov" % name, "rate": "24", "start": base, "length": 500}
    if name != "title":
        source["reel"] = "TP" + name
    told = {"kind": "clip", "name": name, "enabled": enabled, "record": [zero + r for r in record], "source": source,
            "from": plain(base + Fraction(start)), "to": plain(base + Fraction(to)), "held": False}
    told["speed"] = None if keys else str(Fraction(speed))
    if keys:
        told["keys"] = [[zero + at, plain(base + Fraction(value))] for at, value in keys]
    return told


def expected():
    # at frame r the curve of the trimmed piece is -31 + (r + 32) * 98/99, its clip begins at source frame 31
    trimmed = [31 - 31 + Fraction(98, 99) * (r + 32) for r in (0, 9)]
    bottom = [event("stall", (0, 24), 10, 34), event("kettle", (24, 48), 7, 31)]
    inside = [{"kind": "picture", "name": "V1", "events": [event("stall", (0, 10), 50, 60, zero=0)]},
              {"kind": "picture", "name": "V2", "events": [event("kettle", (4, 10), 60, 66, zero=0)]}]
    middle = [event("quay", (10, 30), 5, 25), event("title", (50, 60), 3, 13),
              {"kind": "nested", "name": "Layers", "enabled": True, "record": [START + 60, START + 70], "from": 0, "to": 10,
               "speed": "1", "lanes": inside},
              event("quay", (70, 80), 200, 210, enabled=False),
              {"kind": "missing", "name": "", "enabled": True, "record": [START + 80, START + 90]}]
    top = [event("stall", (0, 10), 0, 110, 11),
           event("kettle", (10, 26), 32, 32 + 15 + Fraction(45, 8) / 4,
                 keys=[(10, 32), (14, 32 + Fraction(45, 8)), (21, 32 + Fraction(75, 8)),
                       (26, 32 + 15 + Fraction(45, 8) / 4)]),
           event("quay", (26, 35), trimmed[0], trimmed[1], Fraction(98, 99)),
           event("stall", (35, 43), 20, 36, 2),
           event("kettle", (43, 51), 100, 164, keys=[(43 + i, 100 + i * i) for i in range(9)]),
           event("quay", (51, 57), 40, 40 + Fraction(60, 33), Fraction(10, 33))]
    lanes = [{"kind": "picture", "name": "V%d" % (i + 1), "enabled": True, "events": events, "transitions": []}
             for i, events in enumerate((bottom, middle, top))]
    return {"format": "aaf", "cuts": [{
        "name": "Layers and curves", "rate": "24", "dropFrame": False, "start": START, "length": 100, "lanes": lanes,
        "markers": [{"record": [START + 5, START + 6], "comment": "look", "colour": "Green"},
                    {"record": [START + 60, START + 61], "comment": "again", "colour": "#33cc33"}]}]}


if __name__ == "__main__":
    target = os.path.join(sys.argv[1], "layers_and_curves_24.aaf")
    write(target)
    with open(target + ".expected.json", "w") as out:
        json.dump(expected(), out, indent=1)
        out.write("\n")
