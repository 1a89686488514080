package freshsplice.server.stores.masters;

import freshsplice.core.cut.Source;
import freshsplice.core.sound.HandedSound;
import freshsplice.core.sound.Level;
import freshsplice.core.sound.SoundClip;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Timecode;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.SoundRow;
import freshsplice.server.rows.SoundTrackRow;
import freshsplice.server.rows.Store;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** The sound that lies under a master. */
@Component
public class LaidSound {
    private final Store store;

    LaidSound(Store store) {
        this.store = store;
    }

    /** As tracks of a list. @param drop whether its timecode drops labels; @param named the names of a source that a cut brought, by its identity; null for none */
    public HandedSound.Tracks tracks(MasterRow row, FrameRate rate, boolean drop, Function<String, Source> named) {
        Map<String, SoundTrackRow> tracks = trackRows(row.id);
        boolean anySolo = tracks.values().stream().anyMatch(l -> l.solo);
        Map<String, HandedSound.Heard> heard = new HashMap<>();
        List<SoundRow> rows = rows(row.id);
        for (SoundRow sound : rows) {
            SoundTrackRow track = tracks.get(sound.track);
            boolean silent = track != null && track.muted || anySolo && (track == null || !track.solo);
            heard.put(sound.track, new HandedSound.Heard(!silent, track == null ? 0 : track.level));
        }
        Map<Long, MediaRow> media = store.whereIn(MediaRow.class, "id", rows.stream().map(s -> s.mediaId).filter(Objects::nonNull).distinct()
                .toList()).stream().collect(Collectors.toMap(m -> m.id, m -> m));
        return HandedSound.of(rows.stream().map(s -> new HandedSound.Laid(s.track, source(s, named, media.get(s.mediaId)), clip(s), s.level,
                s.channel)).toList(), rate, heard, frame -> Timecode.of(frame, rate, drop).label());
    }

    /** As the edit room names it; what was laid by hand is its file. */
    private static Source source(SoundRow sound, Function<String, Source> named, MediaRow file) {
        Source known = sound.sourceKey == null ? null : named.apply(sound.sourceKey);
        return known != null ? known : file == null ? Source.named(sound.name, null, null)
                : new Source(sound.name, file.reel, file.linked == null ? file.path : file.linked, null, null, null);
    }

    public List<SoundRow> rows(long masterId) {
        return store.where(SoundRow.class, "masterId", masterId);
    }

    public static SoundClip clip(SoundRow sound) {
        return new SoundClip(FrameRange.of(sound.recIn, sound.recOut), sound.fromSeconds, sound.fadeIn, sound.fadeOut);
    }

    /** Lays it so; its track and level stay. */
    public static void lay(SoundRow sound, SoundClip clip) {
        sound.recIn = clip.record().in();
        sound.recOut = clip.record().out();
        sound.fromSeconds = clip.fromSeconds();
        sound.fadeIn = clip.fadeIn();
        sound.fadeOut = clip.fadeOut();
    }

    /** How each track is heard, by its name; tracks that nobody touched are not in it. */
    public Map<String, SoundTrackRow> trackRows(long masterId) {
        Map<String, SoundTrackRow> tracks = new HashMap<>();
        store.where(SoundTrackRow.class, "masterId", masterId).forEach(l -> tracks.put(l.name, l));
        return tracks;
    }

    /** What of a clip is heard, its track included: 1 as it was recorded, 0 silence. */
    public static double gain(SoundRow sound, Map<String, SoundTrackRow> tracks) {
        SoundTrackRow track = tracks.get(sound.track);
        boolean anySolo = tracks.values().stream().anyMatch(l -> l.solo);
        return Level.heard(track != null && track.muted, track != null && track.solo, anySolo,
                sound.level + (track == null ? 0 : track.level));
    }
}
