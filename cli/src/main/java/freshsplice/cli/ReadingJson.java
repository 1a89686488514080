package freshsplice.cli;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Lane;
import freshsplice.core.cut.LivePicture;
import freshsplice.core.cut.LivePiece;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Source;
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
            lanes(json, cut);
            json.list("markers", cut.markers(), ReadingJson::marker);
            json.list("live", LivePicture.of(cut), ReadingJson::live);
        });
    }

    private static void lanes(Json json, Cut cut) {
        json.list("lanes", cut.lanes(), (j, lane) -> lane(j, lane, cut.rate()));
    }

    private static void lane(Json json, Lane lane, FrameRate rate) {
        json.object(() -> {
            json.text("kind", lane.kind().word());
            json.text("name", lane.name());
            json.flag("enabled", lane.enabled());
            json.list("events", lane.events(), (j, event) -> event(j, event, rate));
            json.list("transitions", lane.transitions(), ReadingJson::transition);
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
                lanes(json, event.nested());
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

    private static void live(Json json, LivePiece piece) {
        json.object(() -> {
            json.range("record", piece.record());
            json.number("lane", (long) piece.path().get(0));
            json.number("event", (long) piece.path().get(1));
            if (piece.path().size() > 2) {
                json.numbers("path", piece.path());
            }
            json.frames("from", piece.from());
            json.frames("to", piece.to());
        });
    }
}
