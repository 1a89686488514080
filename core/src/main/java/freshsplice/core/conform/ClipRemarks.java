package freshsplice.core.conform;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Track;
import freshsplice.core.time.Rational;
import freshsplice.core.words.Amounts;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** What to look at in the clips of a cut: flashes, gaps, overlaps, repeated frames, one board in many places, titles. */
final class ClipRemarks {
    /** Clips as short as this are seldom meant (common practice). */
    private static final long FLASH = 3;
    /** More frames shown twice than this is a cut back in the source, not a slip of the hand. */
    private static final Rational SLIP_OF_THE_HAND = Rational.of(12);

    /** As many places are named; more are counted. */
    private static final int FEW = 4;

    private final Cut cut;
    private final List<CutClip> clips;
    private final ConformChoices choices;
    private final List<Pointer> pointers = new ArrayList<>();

    private ClipRemarks(Cut cut, List<CutClip> clips, ConformChoices choices) {
        this.cut = cut;
        this.clips = clips;
        this.choices = choices;
    }

    /** @param clips as the cut has them, before anything is put right, so that a choice can be taken back */
    static List<Pointer> of(Cut cut, List<CutClip> clips, ConformChoices choices) {
        ClipRemarks remarks = new ClipRemarks(cut, clips, choices);
        for (int i = 0; i < clips.size(); i++) {
            remarks.flash(i);
            if (i > 0) {
                remarks.neighbours(clips.get(i - 1), clips.get(i));
            }
        }
        remarks.gapAtEnd();
        remarks.slates();
        remarks.usedTwice();
        remarks.tracksAbove();
        return remarks.pointers;
    }

    private void flash(int i) {
        CutClip clip = clips.get(i);
        if (clip.record().length() > FLASH) {
            return;
        }
        List<Fix> offers = new ArrayList<>();
        if (i > 0 && clips.get(i - 1).record().out() == clip.record().in()) {
            offers.add(Fix.TO_BEFORE);
        }
        if (i + 1 < clips.size() && clips.get(i + 1).record().in() == clip.record().out()) {
            offers.add(Fix.TO_AFTER);
        }
        point(clip.record().in(), clip.name() + " is a flash of " + Amounts.frames(clip.record().length()),
                clip.isSlate() ? "it becomes a slate of its own" : "it becomes a shot of its own", offers);
    }

    private void neighbours(CutClip a, CutClip b) {
        long gap = b.record().in() - a.record().out();
        if (gap > 0) {
            gap(a.record().out(), gap);
        }
        long overlap = Fixes.overlap(cut, a, b);
        if (overlap > 0) {
            point(b.record().in(), a.name() + " lies under " + b.name() + " for " + Amounts.frames(overlap) + " in one track",
                    "the later one is seen", List.of(Fix.EARLIER_WINS));
        }
        shownAgain(a, b, gap);
    }

    private void gapAtEnd() {
        long out = clips.isEmpty() ? cut.record().out() : clips.get(clips.size() - 1).record().out();
        if (out < cut.record().out()) {
            gap(out, cut.record().out() - out);
        }
    }

    private void gap(long at, long length) {
        point(at, "A gap of " + Amounts.frames(length), "it stays black", List.of(Fix.HOLD));
    }

    private void shownAgain(CutClip a, CutClip b, long gap) {
        boolean sameMoving = gap == 0 && !a.still() && !a.isSlate() && a.identity().equals(b.identity())
                && a.time().slope().equals(b.time().slope());
        if (!sameMoving) {
            return;
        }
        Rational again = a.time().at(a.record().out()).minus(b.time().at(b.record().in()));
        if (again.signum() > 0 && again.compareTo(SLIP_OF_THE_HAND) <= 0) {
            long at = b.record().in();
            pointers.add(Pointer.only(Remark.doubt(cut.timecodeAt(at).label(), b.name() + " shows " + again
                    + (again.equals(Rational.ONE) ? " source frame" : " source frames") + " again that the clip before ended on. "
                    + "Kept as it is; tell the edit room if it is not meant"), at));
        }
    }

    /** What the edit program draws by itself has no camera: it is said once for all of it. */
    private void slates() {
        List<CutClip> slates = clips.stream().filter(CutClip::isSlate).toList();
        if (slates.isEmpty()) {
            return;
        }
        String which = slates.stream().limit(FEW).map(s -> s.name() + " at " + cut.timecodeAt(s.record().in()).label())
                .collect(Collectors.joining(", ")) + (slates.size() > FEW ? " …" : "");
        long at = slates.get(0).record().in();
        pointers.add(Pointer.only(Remark.note(cut.timecodeAt(at).label(), slates.size() == 1
                ? "A title, colour or bars of the edit program is a slate and no shot: " + which
                : slates.size() + " titles, colours or bars of the edit program are slates and no shots: " + which), at));
    }

    private void usedTwice() {
        Map<String, List<CutClip>> bySource = new LinkedHashMap<>();
        clips.stream().filter(p -> !p.isSlate()).forEach(p -> bySource.computeIfAbsent(p.identity(), k -> new ArrayList<>()).add(p));
        for (List<CutClip> uses : bySource.values()) {
            if (uses.size() < 2 || !uses.get(0).still()) {
                continue;
            }
            List<String> places = uses.stream().limit(FEW).map(p -> cut.timecodeAt(p.record().in()).label()).toList();
            Set<String> cameras = new HashSet<>();
            uses.forEach(p -> cameras.add(choices.cameras().get(p.record().in())));
            boolean one = cameras.size() == 1 && !cameras.contains(null);
            String text = uses.get(0).name() + " is used in " + uses.size() + " places (" + String.join(", ", places)
                    + (uses.size() > FEW ? " …" : "") + "); each becomes a shot of its own"
                    + (one ? ", all filmed with " + cameras.iterator().next() : "");
            pointers.add(new Pointer(Remark.note(places.get(0), text), uses.get(0).record().in(),
                    List.of(Fix.ONE_CAMERA), one ? Fix.ONE_CAMERA : null));
        }
    }

    /** Titles and effects on a track above cut the picture below into shots: it is for people to say whether they should. */
    private void tracksAbove() {
        List<Integer> tracks = cut.tracksOf(Track.Kind.PICTURE);
        for (int track : tracks.subList(Math.min(1, tracks.size()), tracks.size())) {
            List<CutClip> above = clips.stream().filter(p -> p.paths().get(0).get(0) == track).toList();
            if (!above.isEmpty()) {
                String name = cut.tracks().get(track).name();
                String what = above.size() == 1 ? "1 clip of " + name + " lies" : above.size() + " clips of " + name
                        + " lie";
                long at = above.get(0).record().in();
                pointers.add(new Pointer(Remark.note(cut.timecodeAt(at).label(), what
                        + " over the picture and cut it into shots. Where they are only titles, make shots of "
                        + cut.tracks().get(tracks.get(0)).name() + " alone"), at, List.of(Fix.LOWEST_TRACK), null));
            }
        }
    }

    /** @param otherwise what happens where nothing is chosen */
    private void point(long at, String what, String otherwise, List<Fix> offers) {
        Fix fix = choices.fixes().get(at);
        Fix chosen = fix != null && offers.contains(fix) ? fix : null;
        String text = what + (chosen == null ? "; " + otherwise : ". Chosen: " + chosen.words());
        pointers.add(new Pointer(Remark.note(cut.timecodeAt(at).label(), text), at, offers, chosen));
    }
}
