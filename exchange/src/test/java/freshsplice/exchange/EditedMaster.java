package freshsplice.exchange;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Transition;
import freshsplice.core.master.edit.Arranging;
import freshsplice.core.master.edit.Fades;
import freshsplice.core.master.edit.Following;
import freshsplice.core.master.edit.Place;
import freshsplice.core.master.edit.Retiming;
import freshsplice.core.master.edit.TrackEdits;
import freshsplice.core.master.edit.Trims;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** A day's edits of a master, at random; what is refused is left. In the end all of it lies on the main track. */
final class EditedMaster {
    private final Random random;
    private Master master;
    private final List<String> done = new ArrayList<>();

    private EditedMaster(Master master, Random random) {
        this.master = master;
        this.random = random;
    }

    /** What was done is added to {@code done}, in order. */
    static Master of(Master master, Random random, int edits, List<String> done) {
        EditedMaster edited = new EditedMaster(master, random);
        for (int i = 0; i < edits; i++) {
            edited.once();
        }
        edited.layDown();
        done.addAll(edited.done);
        return edited.master.fromItsFirst();
    }

    private void once() {
        List<Place> places = places();
        Place place = places.get(random.nextInt(places.size()));
        FrameRange record = place.in(master).record();
        int kind = random.nextInt(17);
        try {
            master = Fades.settled(master, edited(kind, place, record.in() + random.nextInt((int) record.length())));
            done.add(kind + " at " + record);
        } catch (Refusal e) {
            // as somebody who is told that it cannot be: nothing changed
        }
    }

    private List<Place> places() {
        List<Place> places = new ArrayList<>();
        for (int track = 0; track < master.tracks().size(); track++) {
            for (int i = 0; i < master.tracks().get(track).clips().size(); i++) {
                places.add(new Place(track, i));
            }
        }
        return places;
    }

    private Master edited(int kind, Place place, long at) {
        long few = random.nextInt(13) - 6;
        return switch (kind) {
            case 0 -> Trims.head(master, place, few, Following.of(random.nextBoolean()));
            case 1 -> Trims.tail(master, place, few, Following.of(random.nextBoolean()));
            case 2 -> Trims.slip(master, place, Rational.of(few));
            case 3 -> Trims.slide(master, place, few);
            case 4, 5 -> Arranging.split(master, place, at);
            case 6 -> Arranging.lift(master, List.of(place));
            case 7 -> Arranging.extract(master, List.of(place));
            case 8 -> Arranging.duplicate(master, place);
            case 9 -> Arranging.swap(master, place);
            case 10 -> Arranging.enable(master, place, !place.in(master).enabled());
            case 11 -> Retiming.speed(master, place, List.of(Rational.of(1, 2), Rational.of(2), Rational.of(-1), Rational.of(3, 2))
                    .get(random.nextInt(4)));
            case 12 -> Retiming.hold(master, place, at);
            case 13 -> Fades.dissolve(master, place, 8, Transition.Curve.EVEN);
            case 14 -> Fades.toBlack(master, place, 6, Transition.Curve.EVEN);
            case 15 -> TrackEdits.copyUp(master, place);
            default -> Arranging.move(master, place, at + random.nextInt(200));
        };
    }

    private void layDown() {
        Master before = master;
        List<Place> above = places().stream().filter(p -> p.track() > 0).toList();
        for (int i = above.size() - 1; i >= 0; i--) {
            Clip clip = above.get(i).in(master);
            master = Arranging.overwrite(Arranging.lift(master, List.of(above.get(i))), 0, clip);
        }
        master = Fades.settled(before, master);
    }
}
