package freshsplice.core.master.edit;

import freshsplice.core.master.Bend;
import freshsplice.core.master.FrameChain;
import freshsplice.core.master.Lane;
import freshsplice.core.master.Master;
import freshsplice.core.master.Pace;
import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Masters for tests, and what is seen in them. */
final class Masters {
    private Masters() {
    }

    /** Pieces of so many frames one after another, each of a shot of its own, from shot frame 1001 on. */
    static Master of(int... lengths) {
        List<Section> sections = new ArrayList<>();
        long at = 1000;
        for (int i = 0; i < lengths.length; i++) {
            sections.add(Section.ofShot(i + 1L, i + 1L, FrameRange.ofLength(at, lengths[i]), Rational.of(1001)));
            at += lengths[i];
        }
        return with(List.of(Lane.of("Shots", sections)));
    }

    static Master with(List<Lane> lanes) {
        return new Master(1, "Test", FrameRate.FPS_24, false, 1000, lanes);
    }

    /** Two lanes of pieces with gaps, at odd speeds. */
    static Master random(Random random) {
        return random(random, 2);
    }

    static Master random(Random random, int count) {
        List<Lane> lanes = new ArrayList<>();
        long id = 1;
        for (int lane = 0; lane < count; lane++) {
            List<Section> sections = new ArrayList<>();
            long at = 1000 + random.nextInt(20);
            for (int i = 0; i < 12; i++) {
                long length = 1 + random.nextInt(40);
                Rational speed = Rational.of(random.nextInt(7) - 3, 1 + random.nextInt(3));
                Section even = new Section(id, new Section.Content.OfShot(1 + random.nextInt(6)),
                        FrameRange.ofLength(at, length), Rational.of(1001 + random.nextInt(100)), speed, true, null, null);
                sections.add(random.nextInt(4) == 0 && length > 2 ? even.bent(even.record(), bends(random, length)) : even);
                id++;
                at += length + (random.nextInt(3) == 0 ? 1 + random.nextInt(10) : 0);
            }
            lanes.add(Lane.of("Lane " + lane, sections));
        }
        return with(lanes);
    }

    /** Keys of a speed at random frames, some beyond the ends as after a trim, with every easing. */
    static List<Bend> bends(Random random, long length) {
        List<Bend> bends = new ArrayList<>();
        long at = random.nextInt(4) - 2;
        for (int i = 0; i < 2 + random.nextInt(3); i++) {
            bends.add(new Bend(Rational.of(at), Rational.of(1001 + random.nextInt(60)),
                    Pace.values()[random.nextInt(3)]));
            at += 1 + random.nextInt((int) length);
        }
        return bends;
    }

    /** Any piece of a master. */
    static Place any(Master master, Random random) {
        int lane = random.nextInt(master.lanes().size());
        return new Place(lane, random.nextInt(master.lanes().get(lane).sections().size()));
    }

    /** What is seen at each frame of a lane by itself: the shot and its frame; empty for black. */
    static List<String> seen(Master master, int lane, long from, long to) {
        Master alone = with(List.of(master.lanes().get(lane)));
        List<String> seen = new ArrayList<>();
        for (long frame = from; frame < to; frame++) {
            StringBuilder text = new StringBuilder();
            for (FrameChain.Layer layer : FrameChain.flat().at(alone, frame)) {
                text.append(layer.shotId()).append(':').append(layer.frame()).append(' ');
            }
            seen.add(text.toString().strip());
        }
        return seen;
    }

    static List<String> seen(Master master, int lane) {
        return seen(master, lane, 900, 2500);
    }
}
