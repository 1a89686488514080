package freshsplice.exchange.aaf;

import freshsplice.core.cut.Track;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;

/** The tracks that one segment fills: one, or one for each slot of the nested scope that it is, the lowest first. */
final class AafTracks {
    private final AafAssembler assembler;
    private final AafClock clock;
    private final Track.Kind kind;
    private final String place;

    /** @param place where the segment is, for remarks */
    AafTracks(AafAssembler assembler, AafClock clock, Track.Kind kind, String place) {
        this.assembler = assembler;
        this.clock = clock;
        this.kind = kind;
        this.place = place;
    }

    /**
     * @param scopes what is open around it, the innermost first
     * @param before how many tracks of its kind come before
     * @param name   the name where it is one track; null for V1, V2 … or A1, A2 …
     */
    List<Track> of(AafObject segment, List<AafScope> scopes, int before, String name) {
        AafObject alone = AafSegments.alone(segment);
        List<AafObject> slots = alone.type == AafClass.NESTED_SCOPE ? alone.objects(AafPid.SCOPE_SLOTS) : List.of();
        if (slots.size() < 2) {
            AafObject only = slots.isEmpty() ? segment : slots.get(0);
            return List.of(track(only, scopes, name == null ? plain(before) : name));
        }
        List<Track> tracks = new ArrayList<>();
        for (int i = 0; i < slots.size(); i++) {
            tracks.add(track(slots.get(i), AafScope.into(scopes, new AafScope(slots, i, Rational.ZERO), Rational.ZERO),
                    plain(before + i)));
        }
        return tracks;
    }

    private Track track(AafObject segment, List<AafScope> scopes, String name) {
        return new AafTrack(assembler, clock, kind, place + ", track " + name, scopes).track(segment, name);
    }

    private String plain(int before) {
        return (kind == Track.Kind.PICTURE ? "V" : "A") + (before + 1);
    }
}
