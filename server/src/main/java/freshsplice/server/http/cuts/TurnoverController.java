package freshsplice.server.http.cuts;

import freshsplice.server.cuts.KnownSources;
import freshsplice.server.cuts.TurnoverEdits;
import freshsplice.server.http.masters.MasterViews;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What a newer cut changes of a master, and the changes that are taken. */
@RestController
@RequestMapping("/api")
class TurnoverController {
    /** @param clips ids of clips of the master */
    record Clips(Set<Long> clips) {
    }

    /** @param id what it is, as the list says; @param words what it does, to be said where it is not there any more */
    record ChosenChange(@NotBlank @Size(max = 200) String id, @NotNull @Size(max = 1000) String words) {
    }

    record ChangeChoice(@NotEmpty @Size(max = 100_000) List<@Valid ChosenChange> changes) {
    }

    /** What applying did. @param left changes that had moved on meanwhile and were not applied, in words */
    record AppliedView(int applied, List<String> left, List<OutOfDate> outOfDate) {
    }

    /** Pairs of sources by their identities. @param same whether each pair is one source */
    record SaidOfSources(@NotEmpty @Size(max = 10_000) List<@Valid SourcePair> pairs, boolean same) {
    }

    record SourcePair(@NotBlank @Size(max = 1500) String older, @NotBlank @Size(max = 1500) String newer) {
    }

    /** A render that cannot stand as it is: its shot's code, and why. @param before whether that was so before the changes */
    record OutOfDate(String code, String why, boolean before) {
    }

    private final Store store;
    private final TurnoverEdits turnovers;
    private final TurnoverViews turnoverViews;
    private final MasterViews views;

    TurnoverController(Store store, TurnoverEdits turnovers, TurnoverViews turnoverViews, MasterViews views) {
        this.store = store;
        this.turnovers = turnovers;
        this.turnoverViews = turnoverViews;
        this.views = views;
    }

    @GetMapping("/cuts/{id}/turnover")
    TurnoverView turnover(@PathVariable long id, @RequestParam(required = false) Long master) {
        return turnoverViews.view(id, master);
    }

    /** Applies chosen changes as one step, and says which renders that puts out of date. */
    @PostMapping("/cuts/{id}/turnover/apply")
    AppliedView apply(@PathVariable long id, @Valid @RequestBody ChangeChoice chosen,
                      @RequestParam(required = false) Long master, Asker who) {
        long projectId = store.get(CutRow.class, id).projectId;
        Map<String, String> before = views.outOfDate(projectId, master);
        Map<String, String> changes = new LinkedHashMap<>();
        chosen.changes().forEach(c -> changes.put(c.id(), c.words()));
        TurnoverEdits.Outcome applied = turnovers.apply(id, master, changes, who);
        return new AppliedView(applied.applied(), applied.left(), views.outOfDate(projectId, master).entrySet().stream()
                .map(e -> new OutOfDate(e.getKey(), e.getValue(), e.getValue().equals(before.get(e.getKey())))).toList());
    }

    /** Says of pairs of sources whether they are one under two names, as one step; remembered for the project. */
    @PostMapping("/cuts/{id}/turnover/sources")
    void sources(@PathVariable long id, @Valid @RequestBody SaidOfSources said, Asker who) {
        turnovers.sayOfSources(id, said.pairs().stream().map(p -> new KnownSources.Pair(p.older(), p.newer())).toList(), said.same(), who);
    }

    /** Makes clips of the master as they are in a cut; all of them where none is named. */
    @PostMapping("/cuts/{id}/as-in-cut")
    void asInCut(@PathVariable long id, @Valid @RequestBody Clips clips, @RequestParam(required = false) Long master,
                 Asker who) {
        turnovers.asInCut(id, master, clips.clips(), who);
    }
}
