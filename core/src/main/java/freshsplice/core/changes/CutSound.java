package freshsplice.core.changes;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.identity.SameSources;
import freshsplice.core.identity.SourceUse;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;

/** The sound of a cut, asked clip by clip: what is heard under a picture, counted from the picture's own start. */
public final class CutSound {
    private static final Pattern USUAL_NAME = Pattern.compile("A[1-9]\\d?");
    /** Positions and speeds are compared to this part: formats round them. */
    private static final double GRAIN = 100;

    private record Heard(String track, String source, FrameRange at, long from, String speed) {
    }

    private final Cut cut;
    private final List<Track> tracks;
    private final SameSources same;
    private final boolean isOlder;

    private CutSound(Cut cut, SameSources same, boolean isOlder) {
        this.cut = cut;
        this.tracks = tracksOf(cut);
        this.same = same;
        this.isOlder = isOlder;
    }

    /** The sound of two cuts, their sources known to each other. */
    public static final class Pair {
        private final CutSound older;
        private final CutSound newer;

        private Pair(CutSound older, CutSound newer) {
            this.older = older;
            this.newer = newer;
        }

        /** Whether anything else is heard under the newer clip than under the older. A cut without sound says nothing of it. */
        public boolean differs(ComparedClip oldClip, ComparedClip newClip) {
            return !newer.isSilent() && !older.under(oldClip.edge()).equals(newer.under(newClip.edge()));
        }
    }

    /** @param decisions what people said of which sources are the same */
    public static Pair pair(Cut older, Cut newer, SameSources.Decisions decisions) {
        SameSources same = SameSources.of(uses(older), uses(newer), decisions);
        return new Pair(new CutSound(older, same, true), new CutSound(newer, same, false));
    }

    private static List<Track> tracksOf(Cut cut) {
        return cut.tracksOf(Track.Kind.SOUND).stream().map(cut.tracks()::get).toList();
    }

    private static List<SourceUse> uses(Cut cut) {
        SourceUse.Gathering gathering = new SourceUse.Gathering();
        for (Track track : tracksOf(cut)) {
            for (Event event : track.events()) {
                if (event.source() != null) {
                    Rational from = event.from();
                    Rational to = event.to();
                    gathering.add(event.source().identity(), event.source(), false, Rational.min(from, to),
                            Rational.max(from, to));
                }
            }
        }
        return gathering.uses();
    }

    private boolean isSilent() {
        return tracks.stream().allMatch(l -> l.events().isEmpty());
    }

    private Set<Heard> under(FrameRange picture) {
        Set<Heard> heard = new HashSet<>();
        for (int i = 0; i < tracks.size(); i++) {
            Track track = tracks.get(i);
            String name = USUAL_NAME.matcher(track.name()).matches() ? track.name() : "A" + (i + 1);
            for (Event event : overlapping(track, picture)) {
                FrameRange at = FrameRange.of(Math.max(event.record().in(), picture.in()),
                        Math.min(event.record().out(), picture.out()));
                heard.add(heard(name, event, at, picture));
            }
        }
        return heard;
    }

    private Heard heard(String track, Event event, FrameRange at, FrameRange picture) {
        Source source = event.source();
        String key = source == null ? "" : source.identity();
        SameSources.Link link = isOlder ? null : same.newer(key);
        Rational position = event.time().at(at.in());
        // in frames of the cut: one format counts samples, another frames
        double perFrame = Event.normalSlope(source, cut.rate()).toDouble();
        double from = (link == null ? position : link.position(position)).toDouble()
                / (link == null ? perFrame : perFrame * link.scale().toDouble());
        String speed = event.speed(cut.rate()).map(s -> Long.toString(Math.round(s.toDouble() * GRAIN))).orElse("keyed");
        return new Heard(track, isOlder ? same.older(key) : link == null ? key : link.older(), at.shiftedBy(-picture.in()),
                Math.round(from * GRAIN), speed);
    }

    private static List<Event> overlapping(Track track, FrameRange range) {
        List<Event> events = track.events();
        int low = 0;
        int high = events.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (events.get(middle).record().in() < range.out()) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        List<Event> found = new ArrayList<>();
        // sound events lie one after another: a few steps back are enough to meet one that ends before the range
        int misses = 0;
        for (int i = low - 1; i >= 0 && misses < 4; i--) {
            if (events.get(i).record().overlaps(range)) {
                found.add(events.get(i));
            } else {
                misses++;
            }
        }
        return found;
    }
}
