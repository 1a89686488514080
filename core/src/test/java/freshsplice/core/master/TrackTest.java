package freshsplice.core.master;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** A track against plain lists of its clips. */
class TrackTest {
    private static List<Clip> clips(Random random, int count) {
        List<Clip> clips = new ArrayList<>();
        long at = 500;
        for (int i = 0; i < count; i++) {
            at += random.nextInt(3) == 0 ? random.nextInt(12) : 0;
            long length = 1 + random.nextInt(20);
            clips.add(Clip.ofShot(i + 1L, i + 1L, FrameRange.ofLength(at, length), Rational.of(1001)));
            at += length;
        }
        return clips;
    }

    private static Track track(List<Clip> clips) {
        return Track.of("Shots", clips);
    }

    @RepeatedTest(100)
    @DisplayName("what lies at a frame, from a frame on and within a range is what going through all clips finds")
    void found(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        List<Clip> clips = clips(random, random.nextInt(15));
        Track track = track(clips);
        for (long frame = 480; frame < 900; frame++) {
            long f = frame;
            int at = -1;
            for (int i = 0; i < clips.size(); i++) {
                at = clips.get(i).record().contains(f) ? i : at;
            }
            assertThat(track.indexAt(f)).isEqualTo(at);
            assertThat(track.firstFrom(f)).isEqualTo((int) clips.stream().filter(p -> p.record().in() < f).count());
        }
        FrameRange range = FrameRange.ofLength(480 + random.nextInt(200), 1 + random.nextInt(120));
        assertThat(track.within(range)).isEqualTo(clips.stream().filter(p -> p.record().overlaps(range)).toList());
    }

    @RepeatedTest(100)
    @DisplayName("clips put in the place of others, or pushed, lie as if the track had been made of them anew")
    void changed(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        List<Clip> clips = clips(random, 1 + random.nextInt(15));
        Track track = track(clips);
        int from = random.nextInt(clips.size());
        List<Clip> pushed = new ArrayList<>(clips.subList(0, from));
        long by = random.nextInt(50);
        clips.subList(from, clips.size()).forEach(p -> pushed.add(p.shiftedBy(by)));
        assertThat(track.pushed(from, by)).isEqualTo(track(pushed));

        int to = from + random.nextInt(clips.size() - from) + 1;
        Clip wide = clips.get(from);
        Clip come = wide.over(FrameRange.of(wide.record().in(), clips.get(to - 1).record().out())).named(99);
        List<Clip> spliced = new ArrayList<>(clips.subList(0, from));
        spliced.add(come);
        spliced.addAll(clips.subList(to, clips.size()));
        assertThat(track.spliced(from, to, List.of(come))).isEqualTo(track(spliced));
        assertThat(track.spliced(from, to, List.of()).clips()).hasSize(clips.size() - (to - from));
    }

    @Test
    @DisplayName("clips in any order come to lie in order; two over each other are refused with track and frame")
    void overlaps() {
        List<Clip> clips = clips(new Random(1), 10);
        List<Clip> mixed = new ArrayList<>(clips);
        Collections.shuffle(mixed, new Random(2));
        assertThat(track(mixed)).isEqualTo(track(clips));

        Clip a = Clip.ofShot(1, 1, FrameRange.of(0, 10), Rational.of(1001));
        Clip b = Clip.ofShot(2, 2, FrameRange.of(10, 20), Rational.of(1001));
        assertThatThrownBy(() -> track(List.of(a, b.shiftedBy(-1)))).hasMessageContaining("track Shots at frame 9");
        assertThatThrownBy(() -> track(List.of(a, b)).pushed(1, -1)).hasMessageContaining("at frame 9");
        assertThatThrownBy(() -> track(List.of(a, b)).spliced(0, 1, List.of(a.over(FrameRange.of(0, 11)))))
                .hasMessageContaining("at frame 10");
    }

    @Test
    @DisplayName("the list of its clips cannot be changed from outside, nor by the list that it was made of")
    void immutable() {
        List<Clip> clips = clips(new Random(3), 4);
        Track track = track(clips);
        List<Clip> before = List.copyOf(track.clips());
        clips.clear();
        assertThat(track.clips()).isEqualTo(before);
        assertThatThrownBy(() -> track.clips().remove(0)).isInstanceOf(UnsupportedOperationException.class);
    }
}
