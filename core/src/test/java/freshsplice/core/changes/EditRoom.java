package freshsplice.core.changes;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Cuts;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Track;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Makes cuts and edits them in known ways, rippling as an edit room does. */
final class EditRoom {
    /** A clip being edited: source, source in, length, speed. */
    private record Clip(String name, long from, long length, Rational speed) {
    }

    private final List<Clip> clips = new ArrayList<>();

    static EditRoom with(Random random, int clips) {
        EditRoom room = new EditRoom();
        for (int i = 0; i < clips; i++) {
            room.clips.add(new Clip("src" + i, 1000, 40 + random.nextInt(60), Rational.ONE));
        }
        return room;
    }

    int size() {
        return clips.size();
    }

    EditRoom copy() {
        EditRoom room = new EditRoom();
        room.clips.addAll(clips);
        return room;
    }

    void trim(int i, long head, long tail) {
        Clip c = clips.get(i);
        clips.set(i, new Clip(c.name, c.from - head, c.length + head + tail, c.speed));
    }

    void slip(int i, long frames) {
        Clip c = clips.get(i);
        clips.set(i, new Clip(c.name, c.from + frames, c.length, c.speed));
    }

    void retime(int i, Rational speed) {
        Clip c = clips.get(i);
        clips.set(i, new Clip(c.name, c.from, c.length, speed));
    }

    void replace(int i, String name) {
        Clip c = clips.get(i);
        clips.set(i, new Clip(name, 5, c.length, c.speed));
    }

    void insert(int i, String name, long length) {
        clips.add(i, new Clip(name, 0, length, Rational.ONE));
    }

    /** @return frames that are gone */
    long omit(int i) {
        return clips.remove(i).length;
    }

    void swapWithNext(int i) {
        Clip c = clips.remove(i);
        clips.add(i + 1, c);
    }

    void split(int i, long at) {
        Clip c = clips.get(i);
        clips.set(i, new Clip(c.name, c.from, at, c.speed));
        clips.add(i + 1, new Clip(c.name, c.from + at, c.length - at, c.speed));
    }

    Cut cut() {
        Event[] events = new Event[clips.size()];
        long at = 86400;
        for (int i = 0; i < events.length; i++) {
            Clip c = clips.get(i);
            events[i] = Cuts.clip(c.name, at, at + c.length, c.from, c.speed);
            at += c.length;
        }
        Track track = Cuts.track(events);
        return Cuts.of(track);
    }
}
