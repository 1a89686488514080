package freshsplice.core.changes;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.conform.Conform;
import freshsplice.core.conform.ConformChoices;
import freshsplice.core.conform.CutClips;
import freshsplice.core.conform.FirstMaster;
import freshsplice.core.conform.ShotNumbering;
import freshsplice.core.cut.Cut;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class NewShotsTest {
    private static final int HANDLES = 8;

    private final EditRoom room = EditRoom.with(new Random(7), 4);
    private final FirstMaster.MasterWithShots before = FirstMaster.of(room.cut(),
            Conform.plan(room.cut(), ConformChoices.of(ShotNumbering.DEFAULT)), HANDLES);
    private final Map<Long, Shot> shots = before.shots().stream().collect(Collectors.toMap(Shot::id, s -> s));

    private List<NewShots.NewShot> afterTheEdit(Set<String> alsoUsed) {
        Cut newer = room.cut();
        Turnover turnover = Turnover.of(before.master(), id -> null, shots, CutClips.joined(newer, seam -> false), new Origins(),
                Turnover.Sources.NONE, HANDLES, (a, b) -> false);
        Applying.Outcome applied = Applying.apply(turnover,
                IntStream.range(0, turnover.changes().changes().size()).boxed().collect(Collectors.toSet()), 1001);
        Map<Long, Shot> now = new HashMap<>(shots);
        now.putAll(applied.shots());
        Set<String> used = new HashSet<>(alsoUsed);
        shots.values().forEach(s -> used.add(s.code()));
        return NewShots.of(applied, now, ShotNumbering.DEFAULT, HANDLES, used);
    }

    private static List<String> codes(List<NewShots.NewShot> made) {
        return made.stream().map(m -> m.shot().code()).toList();
    }

    @Test
    void twoNewShotsInARowAreNumberedBetweenTheirNeighboursAndTakeUpTheActionOneAfterTheOther() {
        room.insert(2, "second", 20);
        room.insert(2, "first", 30);
        List<NewShots.NewShot> made = afterTheEdit(Set.of());
        assertThat(codes(made)).containsExactly("sh0025", "sh0027");
        assertThat(made).extracting(NewShots.NewShot::place).containsExactly(2, 3);
        assertThat(made).extracting(m -> m.clip().name()).containsExactly("first", "second");
        Shot first = made.get(0).shot();
        Shot ahead = shots.get(2L);
        assertThat(first.cutRange()).isEqualTo(FrameRange.ofLength(1001, 30));
        assertThat(first.handles()).isEqualTo(HANDLES);
        assertThat(first.actionAt(Rational.of(1001))).isEqualTo(ahead.actionAt(Rational.of(ahead.cutRange().out())));
        assertThat(made.get(1).shot().actionAt(Rational.of(1001))).isEqualTo(first.actionAt(Rational.of(1031)));
    }

    @Test
    void aNewShotAtTheHeadBeginsTheAction() {
        room.insert(0, "opening", 12);
        List<NewShots.NewShot> made = afterTheEdit(Set.of());
        assertThat(codes(made)).containsExactly("sh0005");
        assertThat(made.get(0).shot().actionAt(Rational.of(1001))).isEqualTo(Rational.ZERO);
    }

    @Test
    void aCodeThatWasUsedIsNeverGivenAgain() {
        room.insert(2, "first", 30);
        assertThat(codes(afterTheEdit(Set.of("sh0025")))).containsExactly("sh0026");
    }

    @Test
    void aNewShotAtTheEndIsNumberedOn() {
        room.insert(4, "last", 30);
        assertThat(codes(afterTheEdit(Set.of()))).containsExactly("sh0050");
    }

    @Test
    void aShotThatIsTrimmedByTheSameCutIsTakenAsItIsThen() {
        room.trim(1, 0, 9);
        room.insert(2, "first", 30);
        Shot ahead = shots.get(2L);
        assertThat(afterTheEdit(Set.of()).get(0).shot().actionAt(Rational.of(1001)))
                .isEqualTo(ahead.actionAt(Rational.of(ahead.cutRange().out() + 9)));
    }

    @Test
    void nothingNewMakesNoShot() {
        room.slip(1, 3);
        assertThat(afterTheEdit(Set.of())).isEmpty();
    }
}
