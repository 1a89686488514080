package freshsplice.exchange.aaf;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.exchange.layout.TrackRow;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/** Writes one track as the sequence of a slot. */
final class AafTrackWriter {
    private static final String POSITIONS = "6d0b1f0e-7f0c-4f2b-9a43-0d1c60a4d3b2";

    private final AafWriter.Composer composer;
    private final AafDocument document;
    private final Cut cut;
    private final Track track;
    private final boolean picture;
    private final String kind;
    private final FrameRate rate;
    private final Rational perFrame;
    private final List<Remark> remarks;

    AafTrackWriter(AafWriter.Composer composer, AafDocument document, Cut cut, Track track, List<Remark> remarks) {
        this.composer = composer;
        this.document = document;
        this.cut = cut;
        this.track = track;
        this.picture = track.kind() == Track.Kind.PICTURE;
        this.kind = picture ? AafIds.PICTURE : AafIds.SOUND;
        this.rate = picture ? cut.rate() : soundRate();
        this.perFrame = cut.rate().framesOf(rate);
        this.remarks = remarks;
    }

    /** Sound counts samples where all of the track has one rate that fits the picture's frames. */
    private FrameRate soundRate() {
        List<FrameRate> rates = track.events().stream().map(e -> e.source() == null ? null : e.source().rate())
                .distinct().toList();
        boolean one = rates.size() == 1 && rates.get(0) != null && cut.rate().framesOf(rates.get(0)).isWhole();
        return one ? rates.get(0) : cut.rate();
    }

    FrameRate rate() {
        return rate;
    }

    private long units(long frames) {
        return perFrame.times(frames).round();
    }

    AafNode sequence() {
        TrackRow row = TrackRow.of(track, cut.record().in(), remarks);
        List<AafNode> parts = new ArrayList<>();
        List<TrackRow.Clip> clips = row.clips();
        for (int i = 0; i < clips.size(); i++) {
            TrackRow.Clip clip = clips.get(i);
            Transition head = clip.head();
            Transition next = i + 1 < clips.size() ? clips.get(i + 1).head() : null;
            if (head != null) {
                if (i == 0 && head.record().in() >= cut.record().in()) {
                    // a transition lies over something: black before the first event
                    parts.add(AafDocument.component(AafClass.FILLER, kind, units(head.record().out() - cut.record().in())));
                }
                parts.add(transition(head));
            }
            long in = head == null ? clip.own().in() : head.record().in();
            long out = next == null ? clip.own().out() : next.record().out();
            parts.add(clip(clip.event(), FrameRange.of(in, Math.max(in + 1, out))));
        }
        long rest = cut.record().out() - row.end();
        if (rest > 0 && track == cut.tracks().get(0)) {
            parts.add(AafDocument.component(AafClass.FILLER, kind, units(rest)));
        }
        long length = Math.max(row.end(), rest > 0 && track == cut.tracks().get(0) ? cut.record().out() : row.end())
                - cut.record().in();
        return AafDocument.component(AafClass.SEQUENCE, kind, units(length)).list(AafPid.COMPONENTS, "Components", parts);
    }

    private AafNode transition(Transition transition) {
        long length = units(transition.record().length());
        boolean wipe = transition.kind() == Transition.Kind.WIPE;
        String id = !picture ? AafIds.SOUND_DISSOLVE : wipe ? AafIds.WIPE : AafIds.DISSOLVE;
        if (wipe && transition.wipe() != null && !transition.wipe().equals("001")) {
            remarks.add(Remark.note("track " + track.name() + ", frame " + transition.record().in(),
                    "The number of the wipe is not written"));
        }
        AafNode group = document.operation(kind, length, id, wipe ? "Video Wipe"
                : picture ? "Video Dissolve" : "Audio Dissolve", false, 2);
        return AafDocument.component(AafClass.TRANSITION, kind, length)
                .object(AafPid.TRANSITION_GROUP, "OperationGroup", group)
                .int64(AafPid.CUT_POINT, units(transition.cut() - transition.record().in()));
    }

    private AafNode clip(Event event, FrameRange range) {
        long length = units(range.length());
        if (event == null) {
            return AafDocument.component(AafClass.FILLER, kind, length);
        }
        AafNode node = shown(event, range, length);
        if (event.enabled() && track.enabled()) {
            return node;
        }
        return AafDocument.component(AafClass.SELECTOR, kind, length)
                .object(AafPid.SELECTED, "Selected", AafDocument.component(AafClass.FILLER, kind, length))
                .list(AafPid.ALTERNATES, "Alternates", List.of(node));
    }

    private AafNode shown(Event event, FrameRange range, long length) {
        return switch (event.kind()) {
            case GENERATOR -> document.operation(kind, length, UUID.nameUUIDFromBytes(("generator " + event.wordsOrName())
                    .getBytes(StandardCharsets.UTF_8)).toString(), event.wordsOrName(), false, 0);
            case MISSING -> clip(event, range, length, AafDocument.mobId("missing"), rate, Rational.ZERO);
            case NESTED -> clip(event, range, length, composer.nested(event.nested()), event.nested().rate(),
                    Rational.of(event.nested().record().in()));
            case CLIP -> {
                Source source = event.source() == null ? Source.named(event.name(), null, cut.rate()) : event.source();
                AafSourceWriter.MasterMob master = composer.sources.of(source, cut.rate(), picture);
                yield clip(event, range, length, master.mob(), master.rate(),
                        Rational.of(source.start() == null ? 0 : source.start()));
            }
        };
    }

    /** @param base source position of position 0 of the slot that is shown */
    private AafNode clip(Event event, FrameRange range, long length, byte[] mob, FrameRate sourceRate, Rational base) {
        TimeMap time = event.time();
        Rational unitsPerSource = sourceRate.framesOf(rate);
        Rational from = time.at(range.in()).minus(base).times(unitsPerSource);
        Optional<Rational> slope = time.slope();
        if (slope.isEmpty()) {
            return keyed(event, range, length, mob, base, unitsPerSource);
        }
        Rational speed = slope.get().dividedBy(cut.rate().framesOf(sourceRate));
        if (speed.equals(Rational.ONE)) {
            return commented(event, AafDocument.clip(kind, length, whole(event, from), mob, 1));
        }
        AafNode group = document.operation(kind, length, AafIds.SPEED_CONTROL, "Video Speed Control", true, 1);
        if (speed.isZero()) {
            AafNode held = AafDocument.clip(kind, 1, whole(event, from), mob, 1);
            return commented(event, group.list(AafPid.INPUT_SEGMENTS, "InputSegments", List.of(held)));
        }
        Rational span = Rational.of(length).times(speed.abs());
        long input = Math.max(1, span.round());
        Rational first = speed.signum() < 0 ? from.plus(unitsPerSource).minus(Rational.of(input)) : from;
        AafNode clip = AafDocument.clip(kind, input, whole(event, first), mob, 1);
        return commented(event, group.list(AafPid.INPUT_SEGMENTS, "InputSegments", List.of(clip))
                .list(AafPid.PARAMETERS, "Parameters", List.of(document.constant(AafIds.SPEED_RATIO, "Speed Ratio",
                        Rational.ONE.dividedBy(speed)))));
    }

    private AafNode keyed(Event event, FrameRange range, long length, byte[] mob, Rational base,
                          Rational unitsPerSource) {
        boolean eased = event.time().smooth();
        TimeMap time = eased ? event.time().frameByFrame(range) : event.time().over(range);
        if (eased) {
            remarks.add(Remark.note(place(event), "Its speed is eased between keys; written frame by frame"));
        }
        long low = time.keys().stream().mapToLong(k -> k.source().minus(base).times(unitsPerSource).floor()).min()
                .orElse(0);
        long high = time.keys().stream().mapToLong(k -> k.source().minus(base).times(unitsPerSource).floor() + 1).max()
                .orElse(1);
        List<Rational[]> points = new ArrayList<>();
        for (TimeMap.Key key : time.keys()) {
            points.add(new Rational[] {perFrame.times(key.record() - range.in()),
                    key.source().minus(base).times(unitsPerSource).minus(Rational.of(low))});
        }
        AafNode clip = AafDocument.clip(kind, Math.max(2, high - low), low, mob, 1);
        return commented(event, document.operation(kind, length, AafIds.SPEED_CONTROL, "Video Speed Control", true, 1)
                .list(AafPid.INPUT_SEGMENTS, "InputSegments", List.of(clip))
                .list(AafPid.PARAMETERS, "Parameters", List.of(document.curve(POSITIONS, "Source Position", points))));
    }

    private String place(Event event) {
        return "track " + track.name() + ", frame " + event.record().in();
    }

    private long whole(Event event, Rational units) {
        if (!units.isWhole()) {
            remarks.add(Remark.loss(place(event), "It begins between two units of its track, at " + units
                    + "; written from the one before"));
        }
        return units.floor();
    }

    private static AafNode commented(Event event, AafNode node) {
        if (event.comments().isEmpty()) {
            return node;
        }
        List<AafNode> tags = new ArrayList<>();
        for (String comment : event.comments()) {
            int colon = comment.indexOf(": ");
            tags.add(new AafNode(AafClass.TAGGED_VALUE)
                    .text(AafPid.TAG_NAME, colon > 0 ? comment.substring(0, colon) : "Comment")
                    .typedText(AafPid.TAG_VALUE, colon > 0 ? comment.substring(colon + 2) : comment));
        }
        return node.list(AafPid.COMPONENT_COMMENTS, "UserComments", tags);
    }
}
