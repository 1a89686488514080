package freshsplice.cli;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.LiveEvent;
import freshsplice.core.cut.LivePicture;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.Optional;

/** A reading as JSON. */
final class ReadingJson {
    private ReadingJson() {
    }

    static void cut(Json json, Cut cut) {
        json.object(() -> {
            json.text("name", cut.name());
            json.text("rate", cut.rate().toString());
            json.flag("dropFrame", cut.dropFrame());
            json.number("start", cut.record().in());
            json.number("length", cut.record().length());
            tracks(json, cut);
            json.list("markers", cut.markers(), ReadingJson::marker);
            json.list("live", LivePicture.of(cut), ReadingJson::live);
        });
    }

    private static void tracks(Json json, Cut cut) {
        json.list("lanes", cut.tracks(), (j, track) -> track(j, track, cut.rate()));
    }

    private static void track(Json json, Track track, FrameRate rate) {
        json.object(() -> {
            json.text("kind", track.kind().word());
            json.text("name", track.name());
            json.flag("enabled", track.enabled());
            json.list("events", track.events(), (j, event) -> event(j, event, rate));
            json.list("transitions", track.transitions(), ReadingJson::transition);
        });
    }

    private static void event(Json json, Event event, FrameRate rate) {
        json.object(() -> {
            json.text("number", event.number());
            json.text("kind", event.kind().word());
            json.text("name", event.name());
            json.flag("enabled", event.enabled());
            json.range("record", event.record());
            if (event.source() != null) {
                source(json, event.source());
            }
            json.frames("from", event.from());
            json.frames("to", event.to());
            speed(json, event, rate);
            json.flag("held", event.time().isHeld());
            if (event.nested() != null) {
                tracks(json, event.nested());
            }
        });
    }

    private static void speed(Json json, Event event, FrameRate rate) {
        Optional<Rational> speed = event.speed(rate);
        if (speed.isPresent()) {
            json.text("speed", speed.get().toString());
            return;
        }
        json.nothing("speed");
        json.list("keys", event.time().keys(), (j, key) -> j.key(key.record(), key.source()));
        if (event.time().smooth()) {
            json.flag("smooth", true);
        }
    }

    private static void source(Json json, Source source) {
        json.name("source");
        json.object(() -> {
            json.text("name", source.name());
            json.text("reel", source.reel());
            json.text("file", source.file());
            json.text("rate", source.rate() == null ? null : source.rate().toString());
            json.number("start", source.start());
            json.number("length", source.length());
        });
    }

    private static void transition(Json json, Transition transition) {
        json.object(() -> {
            json.text("kind", transition.kind().word());
            json.range("record", transition.record());
            json.number("cut", transition.cut());
        });
    }

    private static void marker(Json json, Marker marker) {
        json.object(() -> {
            json.range("record", marker.record());
            json.text("name", marker.name());
            json.text("comment", marker.comment());
            json.text("colour", marker.colour());
        });
    }

    private static void live(Json json, LiveEvent live) {
        json.object(() -> {
            json.range("record", live.record());
            json.number("lane", (long) live.path().get(0));
            json.number("event", (long) live.path().get(1));
            if (live.path().size() > 2) {
                json.numbers("path", live.path());
            }
            json.frames("from", live.from());
            json.frames("to", live.to());
        });
    }
}
