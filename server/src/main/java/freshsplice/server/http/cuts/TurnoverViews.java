package freshsplice.server.http.cuts;

import freshsplice.core.changes.Change;
import freshsplice.core.changes.ChangeKind;
import freshsplice.core.changes.ChangeWords;
import freshsplice.core.changes.ShotImpact;
import freshsplice.core.conform.CutClip;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.identity.SameSources;
import freshsplice.core.master.Clip;
import freshsplice.core.shot.Shot;
import freshsplice.core.sources.Candidate;
import freshsplice.core.sources.MediaFrames;
import freshsplice.core.sources.SourceFinder.Match;
import freshsplice.core.time.FrameRange;
import freshsplice.server.cuts.ComparedMaster;
import freshsplice.server.cuts.Comparing;
import freshsplice.server.cuts.KnownSources;
import freshsplice.server.sources.Finders;
import freshsplice.server.sources.Sources;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What a newer cut changes, as the window shows it. */
@Component
class TurnoverViews {
    private final Comparing comparing;
    private final Sources sources;
    private final KnownSources known;

    TurnoverViews(Comparing comparing, Sources sources, KnownSources known) {
        this.comparing = comparing;
        this.sources = sources;
        this.known = known;
    }

    @Transactional(readOnly = true)
    public TurnoverView view(long cutId, Long masterId) {
        ComparedMaster side = comparing.compare(cutId, masterId);
        Finders finders = sources.finders(side.cutRow().projectId, Sources.all(side.cut()));
        List<TurnoverView.Clip> ours = side.turnover().clips().stream().map(l -> l.clip()).map(s ->
                new TurnoverView.Clip(s.record().in(), s.record().out(), s.content() instanceof Clip.Content.Slate slate ? slate.text() : side.shots().get(s.shotId()).code, null,
                        s.shotId() == 0, 0)).toList();
        List<TurnoverView.Clip> theirs = new ArrayList<>();
        for (int i = 0; i < side.turnover().changes().pairs().size(); i++) {
            CutClip clip = side.turnover().newClip(i);
            theirs.add(theirs(clip, finders.find(Track.Kind.PICTURE, Sources.wanted(clip, side.cut().rate()))
                    .map(Match::file).orElse(null)));
        }
        List<TurnoverView.Change> changes = new ArrayList<>();
        for (int i = 0; i < side.turnover().changes().changes().size(); i++) {
            changes.add(change(i, side.turnover().changes().changes().get(i), side));
        }
        return new TurnoverView(cutId, side.cutRow().version, side.cut().name(), Objects.equals(side.row().cutId, cutId),
                side.turnover().changes().kept(), side.master().end() - side.master().start(), side.cut().record().length(),
                ours, theirs, side.turnover().changes().unchanged().stream()
                .map(p -> new TurnoverView.Pair(p.older(), p.newer())).toList(), changes, sameSources(side));
    }

    private static TurnoverView.Clip theirs(CutClip clip, Candidate file) {
        FrameRange edge = clip.edge();
        return new TurnoverView.Clip(edge.in(), edge.out(), clip.name(), file == null ? null : file.id(), clip.isSlate(), file == null ? 0
                : MediaFrames.of(file, clip.source(), edge, clip.time()).frameAt(clip.from()));
    }

    private TurnoverView.Change change(int index, Change c, ComparedMaster side) {
        Shot shot = side.turnover().ourShotOf(c).orElse(null);
        ShotImpact demand = ShotImpact.of(c, side.turnover(), shot == null ? null : side.cameras().get(side.shots().get(shot.id()).cameraId));
        String olderKey = shot == null ? "" : shot.anchor().key();
        boolean slate = side.turnover().isOfSlate(c);
        String newerKey = c.newIndex() < 0 || slate ? "" : side.turnover().newClip(c.newIndex()).identity();
        return new TurnoverView.Change(index, side.turnover().nameOf(c), olderKey, newerKey, c.kind(), c.oldIndex(), c.newIndex(),
                shot == null ? null : shot.id(), shot != null ? shot.code() : slate ? "slate" : "", c.name(), ChangeWords.what(c, demand), c.head(),
                c.tail(), c.slip(), c.shift(), demand.needs(), ChangeWords.asks(c, demand),
                c.kind() == ChangeKind.SHIFTED && c.because() >= 0, c.because(), demand.past(), TurnoverView.Span.of(demand.covered()),
                TurnoverView.Span.of(demand.shown()));
    }

    private List<TurnoverView.SameSource> sameSources(ComparedMaster side) {
        List<TurnoverView.SameSource> list = new ArrayList<>(side.turnover().sameSources().stream()
                .map(l -> new TurnoverView.SameSource(l.older(), l.newer(), label(l.older()), label(l.newer()), true,
                        l.sureness(), String.join(", ", l.because()))).toList());
        known.pairings(side.cutRow().projectId).stream().filter(p -> !p.same)
                .forEach(p -> list.add(new TurnoverView.SameSource(p.olderKey, p.newerKey, label(p.olderKey),
                        label(p.newerKey), false, SameSources.Sureness.DECIDED, "somebody said so")));
        return list;
    }

    private static String label(String identity) {
        return Source.ofIdentity(identity).label();
    }
}
