package freshsplice.core.changes;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Cuts;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;

class CutChangesTest {
    private static List<Change> edits(Consumer<EditRoom> edit) {
        EditRoom room = EditRoom.with(new Random(1), 8);
        Cut before = room.cut();
        edit.accept(room);
        ChangeList list = CutChanges.between(before, room.cut(), 8);
        List<Change> edits = new ArrayList<>(list.changes());
        edits.removeIf(c -> c.kind() == ChangeKind.SHIFTED);
        return edits;
    }

    private static String figures(Change c) {
        return c.kind().word() + " " + c.head() + " " + c.tail() + " " + c.slip() + " " + c.needs().word();
    }

    @Test
    void tellsEachKindFromTheOthersWithItsFigures() {
        assertThat(edits(r -> r.trim(3, 0, -8))).extracting(CutChangesTest::figures)
                .containsExactly("trimmed 0 -8 0 nothing");
        assertThat(edits(r -> r.trim(3, 6, 14))).extracting(CutChangesTest::figures)
                .containsExactly("trimmed 6 14 0 camera");
        assertThat(edits(r -> r.trim(3, 5, -2))).extracting(CutChangesTest::figures)
                .containsExactly("trimmed 5 -2 0 handles");
        assertThat(edits(r -> r.slip(2, 7))).extracting(CutChangesTest::figures)
                .containsExactly("slipped 0 0 7 handles");
        assertThat(edits(r -> r.slip(2, -9))).extracting(CutChangesTest::figures)
                .containsExactly("slipped 0 0 -9 camera");
        assertThat(edits(r -> r.retime(4, Rational.of(4, 5)))).extracting(CutChangesTest::figures)
                .containsExactly("retimed 0 0 0 render");
        assertThat(edits(r -> r.replace(5, "other"))).extracting(CutChangesTest::figures)
                .containsExactly("replaced 0 0 0 render");
        assertThat(edits(r -> r.insert(4, "new", 30))).extracting(CutChangesTest::figures)
                .containsExactly("new 0 30 0 camera");
        assertThat(edits(r -> r.split(3, 10))).extracting(Change::kind)
                .containsExactly(ChangeKind.SPLIT, ChangeKind.SPLIT);
        assertThat(edits(r -> r.swapWithNext(3))).extracting(Change::kind).containsExactly(ChangeKind.MOVED);
        List<Change> gone = edits(r -> r.omit(6));
        assertThat(gone).extracting(Change::kind).containsExactly(ChangeKind.OMITTED);
        assertThat(gone.get(0).oldIndex()).isEqualTo(6);
        assertThat(gone.get(0).newRecord()).isNull();
    }

    /** Handles are there to be used: all eight of them and no frame more, at both ends, however the clip was slipped. */
    @Test
    void asManyFramesAsThereAreHandlesNeedNoCameraWork() {
        for (int beyond : new int[] {1, 7, 8, 9, 20}) {
            Impact wanted = beyond <= 8 ? Impact.HANDLES : Impact.CAMERA;
            assertThat(edits(r -> r.trim(3, beyond, 0))).as("head by %d", beyond).extracting(Change::needs).containsExactly(wanted);
            assertThat(edits(r -> r.trim(3, 0, beyond))).as("tail by %d", beyond).extracting(Change::needs).containsExactly(wanted);
            assertThat(edits(r -> r.slip(3, beyond))).as("slip by %d", beyond).extracting(Change::needs).containsExactly(wanted);
            assertThat(edits(r -> r.slip(3, -beyond))).as("slip by −%d", beyond).extracting(Change::needs).containsExactly(wanted);
            assertThat(edits(r -> r.trim(3, -beyond, -1))).as("shorter by %d", beyond).extracting(Change::needs)
                    .containsExactly(Impact.NOTHING);
        }
    }

    @Test
    void joiningWhatWasSplitIsJoined() {
        EditRoom room = EditRoom.with(new Random(2), 6);
        Cut whole = room.cut();
        room.split(2, 15);
        assertThat(CutChanges.between(room.cut(), whole, 8).changes()).extracting(Change::kind)
                .containsExactly(ChangeKind.JOINED, ChangeKind.JOINED);
    }

    @Test
    void whatNoChangeNamesIsTheSameClipOnBothSides() {
        EditRoom room = EditRoom.with(new Random(4), 8);
        Cut before = room.cut();
        room.replace(2, "other");
        room.swapWithNext(5);
        ChangeList list = CutChanges.between(before, room.cut(), 8);
        assertThat(list.unchanged()).hasSize(list.kept()).isNotEmpty().allSatisfy(pair ->
                assertThat(list.pairs().get(pair.newer())).isEqualTo(pair.older()));
        assertThat(list.unchanged()).noneMatch(pair -> list.changes().stream()
                .anyMatch(c -> c.oldIndex() == pair.older() || c.newIndex() == pair.newer()));
        assertThat(list.unchanged()).extracting(ChangeList.Pair::newer).doesNotContain(2).isSorted();
    }

    @Test
    void clipsPushedAlongNameTheEditThatPushedThem() {
        EditRoom room = EditRoom.with(new Random(3), 6);
        Cut before = room.cut();
        room.trim(1, 0, -5);
        room.insert(4, "new", 12);
        ChangeList list = CutChanges.between(before, room.cut(), 8);
        assertThat(list.kept()).isEqualTo(1);
        assertThat(list.changes()).extracting(c -> c.kind().word() + " " + c.shift() + " " + c.because())
                .containsExactly("trimmed 0 -1", "shifted -5 0", "shifted -5 0", "new 0 -1", "shifted 7 3",
                        "shifted 7 3");
    }

    @Test
    void aClipMovedIntoAGapIsItsOwnCause() {
        Cut before = Cuts.of(Cuts.track(Cuts.clip("a", 0, 10, 0), Cuts.clip("b", 10, 20, 0)));
        Cut after = Cuts.of(Cuts.track(Cuts.clip("a", 0, 10, 0), Cuts.clip("b", 15, 25, 0)));
        assertThat(CutChanges.between(before, after, 8).changes())
                .extracting(c -> c.kind().word() + " " + c.shift() + " " + c.because()).containsExactly("shifted 5 -1");
    }

    @Test
    void aDissolveAddedAtACutIsATransitionNotATrim() {
        Cut before = Cuts.of(Cuts.track(Cuts.clip("a", 0, 50, 0), Cuts.clip("b", 50, 100, 20)));
        Track joined = new Track(Track.Kind.PICTURE, "V1", true,
                List.of(Cuts.clip("a", 0, 56, 0), Cuts.clip("b", 44, 100, 14)),
                List.of(Transition.centred(Transition.Kind.DISSOLVE, FrameRange.of(44, 56), null)));
        assertThat(CutChanges.between(before, Cuts.of(joined), 8).changes())
                .extracting(c -> c.kind().word() + " " + c.needs().word())
                .containsExactly("transition handles", "transition handles");
    }

    @Test
    void soundAloneIsSound() {
        Track picture = Cuts.track(Cuts.clip("a", 0, 50, 0), Cuts.clip("b", 50, 100, 0));
        Track early = new Track(Track.Kind.SOUND, "A1", true, List.of(Cuts.clip("wind", 0, 100, 0)), List.of());
        Track split = new Track(Track.Kind.SOUND, "A1", true,
                List.of(Cuts.clip("wind", 0, 60, 0), Cuts.clip("sea", 60, 100, 0)), List.of());
        assertThat(CutChanges.between(Cuts.of(picture, early), Cuts.of(picture, split), 8).changes())
                .extracting(c -> c.kind().word() + c.oldIndex()).containsExactly("sound1");
    }

    /** A random cut edited in known ways gives exactly those changes. */
    @Test
    void randomEditsAreFoundExactly() {
        for (int seed = 0; seed < 300; seed++) {
            Random random = new Random(seed);
            EditRoom room = EditRoom.with(random, 12);
            Cut before = room.cut();
            List<String> expected = new ArrayList<>();
            // far apart, so that no two edits meet, from the back so that indexes stay
            for (int i = 10; i >= 1; i -= 3) {
                expected.add(0, randomEdit(room, i, random));
            }
            ChangeList list = CutChanges.between(before, room.cut(), 8);
            List<String> found = list.changes().stream().filter(c -> c.kind() != ChangeKind.SHIFTED)
                    .map(c -> c.kind().word() + " " + c.head() + " " + c.tail() + " " + c.slip()).toList();
            assertThat(found).as("seed %s", seed).isEqualTo(expected);
            assertThat(list.changes()).allMatch(c -> c.oldIndex() < 0 || c.newIndex() < 0
                    || c.oldRecord().length() + c.head() + c.tail() == c.newRecord().length());
        }
    }

    private static String randomEdit(EditRoom room, int i, Random random) {
        int by = 1 + random.nextInt(15);
        switch (random.nextInt(7)) {
            case 0 -> {
                room.trim(i, -by, 0);
                return "trimmed " + -by + " 0 0";
            }
            case 1 -> {
                room.trim(i, by, 2 * by);
                return "trimmed " + by + " " + 2 * by + " 0";
            }
            case 2 -> {
                room.slip(i, by);
                return "slipped 0 0 " + by;
            }
            case 3 -> {
                room.retime(i, Rational.of(3, 2));
                return "retimed 0 0 0";
            }
            case 4 -> {
                room.replace(i, "other" + i);
                return "replaced 0 0 0";
            }
            case 5 -> {
                room.insert(i, "new" + i, 20 + by);
                return "new 0 " + (20 + by) + " 0";
            }
            default -> {
                long gone = room.omit(i);
                return "omitted 0 " + -gone + " 0";
            }
        }
    }

    @Test
    void aCutHasNoChangesAgainstItself() {
        Cut cut = EditRoom.with(new Random(9), 40).cut();
        ChangeList list = CutChanges.between(cut, cut, 8);
        assertThat(list.isIdentical()).isTrue();
        assertThat(list.kept()).isEqualTo(40);
    }

    /** One source for everything, cut into clips that are all trimmed: the worst case for pairing by source. */
    @Test
    void aReelOfOneSourceIsPairedByPlace() {
        List<Event> a = new ArrayList<>();
        List<Event> b = new ArrayList<>();
        for (int i = 0; i < 300; i++) {
            a.add(Cuts.clip("reel", i * 20L, i * 20L + 20, i * 100L));
            b.add(Cuts.clip("reel", i * 19L, i * 19L + 19, i * 100L + 1));
        }
        ChangeList list = CutChanges.between(Cuts.of(Cuts.track(a.toArray(Event[]::new))),
                Cuts.of(Cuts.track(b.toArray(Event[]::new))), 8);
        assertThat(list.changes()).hasSize(300).allMatch(c -> c.kind() == ChangeKind.TRIMMED && c.head() == -1
                && c.oldIndex() == c.newIndex());
    }
}
