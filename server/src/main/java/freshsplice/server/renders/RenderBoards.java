package freshsplice.server.renders;

import freshsplice.core.delivery.FilmedShot;
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
import java.util.NavigableMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** The boards that renders show. */
@Component
class RenderBoards {
    /** @param boards by the shot's id; @param reels their files, by their keys */
    record Boards(Map<Long, ShotBoard> boards, Map<String, Reel> reels) {
        static final Boards NONE = new Boards(Map.of(), Map.of());

        /** Tells what they show and where they lie from what others would. */
        String digest() {
            StringBuilder text = new StringBuilder();
            new TreeMap<>(boards).forEach((shot, board) -> text.append(shot).append(' ').append(board.frames()).append(' ').append(board.fit()).append(' ')
                    .append(board.aspect()).append(' ').append(board.keys().values().stream().map(k -> reels.get(k).sha256()).collect(Collectors.joining(" "))).append('\n'));
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
    Boards of(Map<Long, FilmedShot> shots) {
        Map<Long, BoardRow> rows = new HashMap<>();
        store.whereIn(BoardRow.class, "shotId", List.copyOf(shots.keySet())).stream().filter(b -> b.mediaId != null)
                .forEach(b -> rows.putIfAbsent(b.shotId, b));
        Map<Long, MediaRow> files = new HashMap<>();
        store.whereIn(MediaRow.class, "id", rows.values().stream().map(b -> b.mediaId).distinct().toList()).forEach(m -> files.put(m.id, m));
        Map<Long, ShotBoard> boards = new HashMap<>();
        Map<String, Reel> reels = new HashMap<>();
        Map<Long, NavigableMap<Long, String>> runs = new HashMap<>();
        rows.forEach((shot, row) -> {
            MediaRow file = files.get(row.mediaId);
            if (file != null && file.width > 0) {
                long shown = shots.get(shot).shot().anchor().source().floor();
                MediaFrames frames = MediaFrames.of(Sources.candidate(file), shown, row.sourceBegins == null ? shown : row.sourceBegins);
                double aspect = file.width / (double) file.height;
                boards.put(shot, file.kind == MediaRow.Kind.RUN ? ShotBoard.ofRun(runs.computeIfAbsent(file.id, id -> pictures(file, reels)), frames, row.fit(), aspect)
                        : ShotBoard.ofFile(reel(file, reels), frames, row.fit(), aspect));
            }
        });
        return new Boards(boards, reels);
    }

    private String reel(MediaRow file, Map<String, Reel> reels) {
        String key = "board " + file.id;
        reels.computeIfAbsent(key, k -> new Reel(media.file(file), file.rate == null ? FrameRate.FPS_24 : file.rate, file.sha256));
        return key;
    }

    /** Keys of the pictures of a run by their frames, counted from 0. */
    private NavigableMap<Long, String> pictures(MediaRow run, Map<String, Reel> reels) {
        NavigableMap<Long, String> keys = new TreeMap<>();
        media.pictures(run).forEach((number, file) -> keys.put(number - run.startFrame, reel(file, reels)));
        return keys;
    }
}
