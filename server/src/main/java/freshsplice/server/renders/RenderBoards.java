package freshsplice.server.renders;

import freshsplice.core.delivery.Filmed;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.render.ShotBoard;
import freshsplice.core.sources.MediaFrames;
import freshsplice.core.time.FrameRate;
import freshsplice.render.Reel;
import freshsplice.server.media.MediaStore;
import freshsplice.server.rows.BoardRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.Store;
import freshsplice.server.sources.Sources;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Component;

/** The boards that renders show. */
@Component
class RenderBoards {
    /** @param boards by the shot's id; @param reels their files, by their keys */
    record Found(Map<Long, ShotBoard> boards, Map<String, Reel> reels) {
        static final Found NONE = new Found(Map.of(), Map.of());

        /** Tells what they show and where they lie from what others would. */
        String digest() {
            StringBuilder text = new StringBuilder();
            new TreeMap<>(boards).forEach((shot, board) -> text.append(shot).append(' ').append(board.frames()).append(' ').append(board.fit()).append(' ')
                    .append(board.aspect()).append(' ').append(reels.get(board.key()).sha256()).append('\n'));
            return Fingerprint.digest(text.toString());
        }
    }

    private final Store store;
    private final MediaStore media;

    RenderBoards(Store store, MediaStore media) {
        this.store = store;
        this.media = media;
    }

    /** Those of some shots, as far as their pictures are found. */
    Found of(Map<Long, Filmed> shots) {
        Map<Long, BoardRow> rows = new HashMap<>();
        store.whereIn(BoardRow.class, "shotId", List.copyOf(shots.keySet())).stream().filter(b -> b.mediaId != null)
                .forEach(b -> rows.putIfAbsent(b.shotId, b));
        Map<Long, MediaRow> files = new HashMap<>();
        store.whereIn(MediaRow.class, "id", rows.values().stream().map(b -> b.mediaId).distinct().toList()).forEach(m -> files.put(m.id, m));
        Map<Long, ShotBoard> boards = new HashMap<>();
        Map<String, Reel> reels = new HashMap<>();
        rows.forEach((shot, row) -> {
            MediaRow file = files.get(row.mediaId);
            if (file != null && file.width > 0 && file.kind != MediaRow.Kind.RUN) {
                String key = "board " + file.id;
                long shown = shots.get(shot).shot().anchor().source().floor();
                MediaFrames frames = MediaFrames.of(Sources.candidate(file), shown, row.sourceBegins == null ? shown : row.sourceBegins);
                boards.put(shot, new ShotBoard(key, frames, row.fit(), file.width / (double) file.height));
                reels.put(key, new Reel(media.file(file), file.rate == null ? FrameRate.FPS_24 : file.rate, file.sha256));
            }
        });
        return new Found(boards, reels);
    }
}
