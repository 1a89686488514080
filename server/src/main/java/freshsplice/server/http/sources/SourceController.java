package freshsplice.server.http.sources;

import freshsplice.core.cut.Track;
import freshsplice.core.sources.MediaKind;
import freshsplice.core.sources.NameLikeness;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.Store;
import freshsplice.server.sources.Choosing;
import freshsplice.server.sources.FileView;
import freshsplice.server.sources.PairsByOrder;
import freshsplice.server.sources.Search;
import freshsplice.server.sources.SourceList;
import freshsplice.server.steps.Asker;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import java.io.IOException;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What was found how, and choosing otherwise. */
@RestController
@RequestMapping("/api")
class SourceController {
    /** A file for a source: one that was given, one in a folder of the server, or none. */
    record Choice(String kind, String key, @Schema(nullable = true) Long mediaId, @Schema(nullable = true) String path,
                  boolean withFolder) {
    }

    record Key(String kind, String key) {
    }

    /** @param sources how many were given a file */
    record ChosenSources(int sources) {
    }

    /** @param files for each picture, by what it is known by, its file */
    record Pairs(Map<String, Long> files) {
    }

    /** @param folders whether the server has folders to look in */
    record Files(List<FileView> files, boolean folders) {
    }

    private static final int MOST = 200;

    private final SourceList list;
    private final PairsByOrder pairs;
    private final Choosing choosing;
    private final Search search;
    private final Store store;

    SourceController(SourceList list, PairsByOrder pairs, Choosing choosing, Search search, Store store) {
        this.list = list;
        this.pairs = pairs;
        this.choosing = choosing;
        this.search = search;
        this.store = store;
    }

    @GetMapping("/cuts/{id}/sources")
    List<SourceList.View> sources(@PathVariable long id) {
        return list.of(id);
    }

    /**
     * Files whose name or folder has some text: those given first, then those in the server's folders.
     *
     * @param like the name that a file is wanted for: those most like it come first
     */
    @GetMapping("/projects/{id}/files")
    Files files(@PathVariable long id, @RequestParam(defaultValue = "") String text,
                @RequestParam(defaultValue = "picture") String kind, @RequestParam(defaultValue = "") String like)
            throws IOException {
        boolean sound = kind(kind) == Track.Kind.SOUND;
        String wanted = text.toLowerCase(Locale.ROOT);
        Comparator<String> nearest = like.isBlank() ? Comparator.comparing(path -> 0) : NameLikeness.nearestTo(like);
        List<FileView> given = store.where(MediaRow.class, "projectId", id).stream()
                .filter(m -> m.path.toLowerCase(Locale.ROOT).contains(wanted)
                        && (m.kind == MediaRow.Kind.MOVIE || sound == (m.kind == MediaRow.Kind.SOUND)))
                .sorted(Comparator.comparing((MediaRow m) -> m.path, nearest)).limit(MOST)
                .map(FileView::of).toList();
        List<String> known = given.stream().map(FileView::path).toList();
        List<FileView> there = search.paths(text, MOST).stream().filter(p -> !known.contains(p)
                        && (MediaKind.of(p) == MediaKind.MOVIE || sound == (MediaKind.of(p) == MediaKind.SOUND)))
                .sorted(nearest).map(p -> new FileView(null, p, MediaKind.of(p).name().toLowerCase(Locale.ROOT)))
                .toList();
        return new Files(Stream.concat(given.stream(), there.stream()).limit(MOST).toList(),
                search.hasFolders());
    }

    @PostMapping("/projects/{id}/sources/choice")
    ChosenSources choose(@PathVariable long id, @Valid @RequestBody Choice choice, Asker who) throws IOException {
        return new ChosenSources(list.choose(id, kind(choice.kind()), choice.key(), choice.mediaId(), choice.path(),
                choice.withFolder(), who));
    }

    /** What is missing beside what is not used, as pairs by order, to be looked at. */
    @GetMapping("/cuts/{id}/sources/by-order")
    PairsByOrder.View byOrder(@PathVariable long id) {
        return pairs.of(id);
    }

    /** Gives missing pictures their files, all in one step. */
    @PostMapping("/projects/{id}/sources/by-order")
    void give(@PathVariable long id, @Valid @RequestBody Pairs asked, Asker who) {
        pairs.give(id, asked.files(), who);
    }

    /** Lets a source be found by itself again. */
    @PostMapping("/projects/{id}/sources/forget")
    void forget(@PathVariable long id, @Valid @RequestBody Key key, Asker who) {
        choosing.forget(id, kind(key.kind()), key.key(), who);
    }

    /** Looks for what is missing in the server's folders; goes on in the background. */
    @PostMapping("/projects/{id}/search")
    void search(@PathVariable long id) {
        store.get(ProjectRow.class, id);
        if (!search.hasFolders()) {
            throw new Refused("No folder of the server is set to look in (setting fresh-splice.folders)");
        }
        search.start(id);
    }

    private static Track.Kind kind(String word) {
        for (Track.Kind kind : Track.Kind.values()) {
            if (kind.word().equals(word)) {
                return kind;
            }
        }
        throw new Refused("A source is picture or sound, not \"" + word + "\"");
    }
}
