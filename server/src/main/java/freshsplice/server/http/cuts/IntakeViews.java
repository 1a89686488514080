package freshsplice.server.http.cuts;

import freshsplice.core.changes.ChangeWords;
import freshsplice.core.changes.Turnover;
import freshsplice.core.conform.ConformPlan;
import freshsplice.core.conform.CutClip;
import freshsplice.core.conform.CutClips;
import freshsplice.core.conform.PlannedShot;
import freshsplice.core.conform.Pointer;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.LiveEvent;
import freshsplice.core.cut.LivePicture;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.rates.ClipRates;
import freshsplice.core.rates.RateWay;
import freshsplice.core.shot.Shot;
import freshsplice.core.sources.Candidate;
import freshsplice.core.sources.MediaFrames;
import freshsplice.core.sources.SourceFinder.Match;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.TimeMap;
import freshsplice.core.time.Timecode;
import freshsplice.server.cuts.Comparing;
import freshsplice.server.cuts.Numbering;
import freshsplice.server.cuts.Planning;
import freshsplice.server.cuts.Receiving;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.sources.Finders;
import freshsplice.server.sources.Sources;
import freshsplice.server.stores.cuts.CutStore;
import freshsplice.server.stores.masters.MasterStore;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What came and what will be made of it, to be shown. */
@Service
public class IntakeViews {
    private static final List<FrameRate> RATES = List.of(FrameRate.FPS_23_976, FrameRate.FPS_24, FrameRate.FPS_25,
            FrameRate.FPS_29_97, FrameRate.FPS_30, FrameRate.FPS_48, FrameRate.FPS_50, FrameRate.FPS_59_94,
            FrameRate.FPS_60);
    private static final List<IntakeView.Way> WAYS = Stream.of(RateWay.values())
            .map(w -> new IntakeView.Way(w.name(), w.words())).toList();

    private final Store store;
    private final CutStore cuts;
    private final MasterStore masters;
    private final Sources sources;
    private final Planning planning;
    private final Receiving receiving;
    private final Comparing comparing;

    IntakeViews(Store store, CutStore cuts, MasterStore masters, Sources sources, Planning planning,
                Receiving receiving, Comparing comparing) {
        this.store = store;
        this.cuts = cuts;
        this.masters = masters;
        this.sources = sources;
        this.planning = planning;
        this.receiving = receiving;
        this.comparing = comparing;
    }

    @Transactional(readOnly = true)
    public IntakeView of(long cutId) {
        CutRow row = store.get(CutRow.class, cutId);
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        Cut cut = cuts.read(row);
        Cut picked = row.pickedTrack == null ? cut : cuts.picked(row);
        ConformPlan plan = planning.plan(project, row, picked);
        Finders finders = sources.finders(project.id, Sources.all(cut));
        List<IntakeView.Shot> shots = shots(plan, cuts.apart(row.id), finders, cut.rate(),
                ourCodes(project.id, row, picked, plan));
        int sameAs = store.where(CutRow.class, "projectId", project.id).stream()
                .filter(c -> c.id < row.id && c.sha256.equals(row.sha256)).mapToInt(c -> c.version).findFirst().orElse(0);
        return new IntakeView(row.id, row.version, row.name, row.fileName, row.rate.toString(), row.rateReason,
                RATES.stream().map(FrameRate::toString).toList(), row.dropFrame, row.recIn, row.recOut,
                cut.timecodeAt(row.recIn).label(), cut.timecodeAt(row.recOut).label(),
                row.state == CutRow.State.RECEIVED, masters.of(project.id).isEmpty() || row.version == 1, sameAs,
                cut.tracks().stream().map(l -> track(l, cut.rate(), finders)).toList(), shots,
                plan.gaps().stream().map(g -> new IntakeView.Gap(g.in(), g.out(),
                        cut.timecodeAt(g.in()).label())).toList(),
                missing(picked, finders), notes(row, plan),
                receiving.sound(project.id, cut, finders).stream().map(s -> new IntakeView.Sound(s.track(), s.name(),
                        s.mediaId(), s.record().in(), s.record().out())).toList(), project.firstFrame,
                project.handles, cuts.choices(row.id).stream().map(c -> new IntakeView.Choice(c.name, c.frames, c.events))
                        .toList(), row.chosen, row.pickedTrack, Numbering.of(project),
                row.fileRate == null ? null : row.fileRate.toString(), word(row.rateWay), word(row.clipWay),
                clipRates(cut), WAYS,
                (int) CutClips.joined(picked, seam -> false).stream().mapToLong(p -> p.seams().size()).sum(),
                doubtful(cut, finders));
    }

    private static String word(RateWay way) {
        return way == null ? null : way.name();
    }

    private static List<IntakeView.ClipRate> clipRates(Cut cut) {
        List<IntakeView.ClipRate> rates = new ArrayList<>();
        ClipRates.count(cut).forEach((rate, count) ->
                rates.add(new IntakeView.ClipRate(rate.toString(), count.realTime(), count.frameForFrame())));
        return rates;
    }

    private static int doubtful(Cut cut, Finders finders) {
        int[] count = {0};
        Sources.wanted(cut).forEach((kind, list) -> count[0] += (int) list.stream()
                .filter(w -> finders.find(kind, w).map(Match::isDoubtful).orElse(false))
                .map(w -> w.source().identity()).distinct().count());
        return count[0];
    }

    /** All but the guessed rate, which stands by itself where another can be chosen. */
    private List<IntakeView.Note> notes(CutRow row, ConformPlan plan) {
        return Stream.concat(plan.pointers().stream().map(IntakeViews::note), cuts.remarks(row.id).stream()
                .filter(r -> !r.text().equals(row.rateReason))
                .map(r -> new IntakeView.Note(r.severity().word(), r.place(), r.text()))).toList();
    }

    private static IntakeView.Note note(Pointer pointer) {
        Remark r = pointer.remark();
        return new IntakeView.Note(r.severity().word(), r.place(), r.text(), pointer.at(), pointer.offers().stream()
                .map(f -> new IntakeView.Way(f.name(), f.words())).toList(),
                pointer.chosen() == null ? null : pointer.chosen().name());
    }

    private static IntakeView.Track track(Track track, FrameRate rate, Finders finders) {
        return new IntakeView.Track(track.name(), track.kind().word(), track.enabled(), track.events().stream()
                .map(e -> event(e, finders.find(track.kind(), Sources.wanted(e, rate)).map(Match::file).orElse(null)))
                .toList());
    }

    private static IntakeView.Event event(Event event, Candidate file) {
        return new IntakeView.Event(event.record().in(), event.record().out(), event.wordsOrName(), event.enabled(),
                file == null ? null : file.id(), event.kind() == Event.Kind.GENERATOR, middle(file, event.source(), event.record(), event.time()));
    }

    /** The frame of a file that stands for a clip in small pictures. */
    private static long middle(Candidate file, Source source, FrameRange seen, TimeMap time) {
        return file == null || !file.moves() ? 0 : MediaFrames.of(file, source, seen, time)
                .frameAt(time.at(seen.in() + seen.length() / 2));
    }

    /** Codes of the shots that a later cut's clips are; empty for the first cut, whose clips become shots. */
    private List<String> ourCodes(long projectId, CutRow row, Cut cut, ConformPlan plan) {
        MasterRow master = masters.of(projectId).orElse(null);
        if (master == null || row.version == 1) {
            return List.of();
        }
        List<CutClip> clips = plan.shots().stream().map(PlannedShot::clip).toList();
        Map<Long, ShotRow> shots = masters.shotRows(projectId);
        Turnover turnover = comparing.turnover(master, masters.read(master), shots, clips, cut);
        return IntStream.range(0, clips.size()).mapToObj(n -> turnover.ourShotOf(n).map(Shot::code).orElse("new"))
                .toList();
    }

    private static List<IntakeView.Shot> shots(ConformPlan plan, Set<Long> apart, Finders finders, FrameRate rate,
                                               List<String> ours) {
        Map<String, Long> shares = plan.shots().stream()
                .collect(Collectors.groupingBy(PlannedShot::camera, Collectors.counting()));
        return IntStream.range(0, plan.shots().size()).mapToObj(i -> {
            PlannedShot planned = plan.shots().get(i);
            return shot(planned, ours.isEmpty() ? planned.code() : ours.get(i), apart,
                    finders.find(Track.Kind.PICTURE, Sources.wanted(planned.clip(), rate)).orElse(null),
                    shares.get(planned.camera()).intValue(), rate);
        }).toList();
    }

    private static IntakeView.Shot shot(PlannedShot planned, String code, Set<Long> apart, Match found, int shares,
                                        FrameRate rate) {
        CutClip clip = planned.clip();
        return new IntakeView.Shot(code, clip.record().in(), clip.record().out(), planned.frames().in(),
                planned.frames().last(), clip.edge().length(), planned.camera(), clip.name(), clip.paths().size(),
                clip.joined() == null ? null : clip.paths().size() + " " + clip.joined().words(),
                clip.seams(), apart.contains(clip.record().in()), found == null ? null : found.file().id(),
                middle(found == null ? null : found.file(), clip.source(), clip.edge(), clip.time()), clip.name(),
                found == null ? null : found.words(), found != null && found.isDoubtful(), shares, found == null ? null : found.file().path(),
                sourceLabel(clip, clip.edge().in(), rate), sourceLabel(clip, clip.edge().out(), rate), speed(clip, rate));
    }

    private static String sourceLabel(CutClip clip, long record, FrameRate rate) {
        if (clip.still() || clip.source() == null) {
            return "";
        }
        FrameRate own = clip.source().rate() == null ? rate : clip.source().rate();
        return Timecode.of(clip.time().at(record).floor(), own, false).label();
    }

    private static String speed(CutClip clip, FrameRate rate) {
        String percent = ChangeWords.percent(clip.speed(rate));
        return clip.still() ? "still" : clip.time().slope().isPresent() ? percent : percent + " on average";
    }

    /** What is seen or heard and nothing given fits: nested cuts opened, nothing that is switched off or covered. */
    private static List<IntakeView.Missing> missing(Cut cut, Finders finders) {
        Map<String, IntakeView.Missing> missing = new LinkedHashMap<>();
        for (LiveEvent clip : LivePicture.of(cut)) {
            count(missing, clip.event(), Track.Kind.PICTURE, finders, cut.rate(), clip.record().length());
        }
        for (int index : cut.tracksOf(Track.Kind.SOUND)) {
            Track track = cut.tracks().get(index);
            for (Event event : track.enabled() ? track.events() : List.<Event>of()) {
                if (event.enabled()) {
                    count(missing, event, Track.Kind.SOUND, finders, cut.rate(), event.record().length());
                }
            }
        }
        return List.copyOf(missing.values());
    }

    private static void count(Map<String, IntakeView.Missing> missing, Event event, Track.Kind kind, Finders finders,
                              FrameRate rate, long frames) {
        if (event.source() != null && finders.idOf(kind, Sources.wanted(event, rate)) == null) {
            String name = event.source().label();
            missing.merge(kind + name, new IntakeView.Missing(name, kind.word(), 1, frames),
                    (a, b) -> new IntakeView.Missing(a.name(), a.kind(), a.uses() + 1, a.frames() + b.frames()));
        }
    }
}
