package freshsplice.core.changes;

import freshsplice.core.conform.CutClip;
import freshsplice.core.cut.Source;
import freshsplice.core.identity.SameSources;
import freshsplice.core.identity.SourceUse;
import freshsplice.core.master.Clip;
import freshsplice.core.master.LiveClips;
import freshsplice.core.master.Master;
import freshsplice.core.master.Transition;
import freshsplice.core.master.Transitions;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * A master against a newer cut. A clip that names one of our renders is compared by our own frames, every other by
 * its source; so a list that we handed out ourselves has no changes when it is read in again.
 */
public final class Turnover {
    /** A clip of the newer cut with the frames of ours that it names, if it names any. */
    record Newer(CutClip cut, Optional<Origins.Origin> origin, ComparedClip clip) {
        /** The clip of ours that shows it, without transitions; empty where it is a shot to be made. */
        Optional<Clip> ownAgain() {
            return origin.map(o -> new Clip(0, new Clip.Content.OfShot(o.shotId()), cut.edge(), o.position(), o.slope(), o.retimeKeys(), true,
                    null, null));
        }
    }

    private static final int NOT_COMPARED = -1;

    final Master master;
    final Map<Long, Shot> shots;
    /** The clips of the main track that are compared, shots and slates of cuts, with what they lie nested in. */
    final List<LiveClips.Live> live;
    final List<Clip> clips;
    /** Words of slates that lie somewhere and are not compared. */
    private final Set<String> ownSlates;
    final List<Newer> newer;
    /** For each clip of the cut as it came, which of {@link #newer} it is in. */
    private final List<Integer> places;
    private final SameSources sources;
    private final OnlySplit split;
    private final ChangeList changes;

    private Turnover(Master master, LongFunction<Master> masters, Map<Long, Shot> shots, List<Newer> found, Origins origins,
                     Sources known, int handles, ChangeFinder.SoundDiffers sound) {
        this.master = master;
        this.shots = shots;
        LiveClips liveClips = new LiveClips(masters);
        List<LiveClips.Live> all = liveClips.ofTrack(master, 0);
        Set<String> titles = found.stream().map(Newer::cut).filter(CutClip::isSlate).map(CutClip::name).collect(Collectors.toSet());
        this.live = all.stream().filter(l -> l.clip().shotId() != 0 || isOfCut(l.clip(), titles)).toList();
        this.ownSlates = IntStream.range(0, master.tracks().size()).boxed().flatMap(l -> liveClips.ofTrack(master, l).stream())
                .filter(l -> !live.contains(l)).map(l -> slateOf(l.clip())).filter(Objects::nonNull).map(Clip.Content.Slate::text)
                .collect(Collectors.toSet());
        this.clips = live.stream().map(LiveClips.Live::clip).toList();
        Set<Long> named = new HashSet<>();
        List<Newer> compared = found.stream().filter(n -> !isOurSlate(n.cut())).toList();
        compared.forEach(n -> n.origin().ifPresent(o -> named.add(o.shotId())));
        List<ComparedClip> olds = olderClips(named);
        this.sources = SameSources.of(uses(olderClips(Set.of()), olds, known), uses(compared), known::areSame);
        RunningOn joined = RunningOn.join(compared, clips.stream().map(s -> s.record().in()).collect(Collectors.toSet()), shots, origins, sources);
        UnderOurName underOurs = new UnderOurName(clips, shots, named, sources);
        this.newer = joined.clips().stream().map(underOurs::of)
                .map(n -> new Newer(n.cut(), n.origin(), ClipSources.newer(n.clip(), sources))).toList();
        Iterator<Integer> next = joined.places().iterator();
        this.places = found.stream().map(n -> isOurSlate(n.cut()) ? NOT_COMPARED : next.next()).toList();
        List<ComparedClip> news = newer.stream().map(Newer::clip).toList();
        List<ComparedClip> ours = olds.stream().map(p -> ClipSources.older(p, sources)).toList();
        OnlySplit on = OnlySplit.of(clips, ours, news, i -> !clips.get(i).enabled());
        ChangeList withoutOff = ChangeFinder.find(on.clips(), news, handles, sound);
        IntPredicate leftOut = leftOut(ours, news, withoutOff);
        boolean noneBack = IntStream.range(0, ours.size()).allMatch(i -> clips.get(i).enabled() || leftOut.test(i));
        this.split = noneBack ? on : OnlySplit.of(clips, ours, news, leftOut);
        this.changes = withoutSwitchedOff(split.ofClips(noneBack ? withoutOff : ChangeFinder.find(split.clips(), news, handles, sound)));
    }

    /** What is switched off is compared only where the cut has something of its source that nothing else of ours is. */
    private IntPredicate leftOut(List<ComparedClip> ours, List<ComparedClip> news, ChangeList withoutOff) {
        Set<String> unknown = withoutOff.changes().stream().filter(c -> c.kind() == ChangeKind.NEW)
                .map(c -> news.get(c.newIndex()).key()).collect(Collectors.toSet());
        return i -> !clips.get(i).enabled() && !unknown.contains(ours.get(i).key());
    }


    /** A clip of ours that is switched off, and that the cut does not show, is as the cut has it. */
    private ChangeList withoutSwitchedOff(ChangeList all) {
        return new ChangeList(all.changes().stream().filter(c -> c.kind() != ChangeKind.OMITTED
                || clips.get(c.oldIndex()).enabled()).toList(), all.kept(), all.pairs());
    }

    private static Clip.Content.Slate slateOf(Clip clip) {
        return clip.content() instanceof Clip.Content.Slate slate ? slate : null;
    }

    /** Whether a slate came with a cut, or the newer one has it too: what was put there by hand no cut knows of. */
    private static boolean isOfCut(Clip clip, Set<String> titles) {
        Clip.Content.Slate slate = slateOf(clip);
        return slate != null && (slate.made() != null || titles.contains(slate.text()));
    }

    /** A title with the words of a slate of ours that is not compared is that slate handed back. */
    private boolean isOurSlate(CutClip clip) {
        return clip.isSlate() && ownSlates.contains(clip.name())
                && clips.stream().map(Turnover::slateOf).filter(Objects::nonNull).noneMatch(s -> s.text().equals(clip.name()));
    }

    /** A clip without media under the words of one of our slates: AX is what an EDL has for a title. */
    private static boolean isHandedBack(CutClip clip, Set<String> words) {
        Source source = clip.source();
        return source != null && source.file() == null && (source.reel() == null || source.reel().equals("AX"))
                && words.contains(clip.name());
    }

    /** Clips as what they are to us: titles that lists have as clips, and clips of shots that were made of titles once. */
    private static List<CutClip> known(List<CutClip> clips, Master master, LongFunction<Master> masters, Map<Long, Shot> shots) {
        LiveClips live = new LiveClips(masters);
        Set<String> words = IntStream.range(0, master.tracks().size()).boxed().flatMap(l -> live.ofTrack(master, l).stream())
                .map(l -> slateOf(l.clip())).filter(Objects::nonNull).map(Clip.Content.Slate::text).collect(Collectors.toSet());
        Set<String> filmed = shots.values().stream().map(s -> s.anchor().key()).collect(Collectors.toSet());
        return clips.stream().map(p -> p.isSlate() && filmed.contains(p.asClip().identity()) ? p.asClip()
                : !p.isSlate() && isHandedBack(p, words) ? p.asSlate(p.name()) : p).toList();
    }

    /** Whether a clip of ours was compared. */
    boolean isCompared(Clip clip) {
        return clip.shotId() != 0 || clips.contains(clip);
    }

    /** Whether a change is one of a title, colour or bars: nothing is filmed in it. */
    public boolean isOfSlate(Change change) {
        return change.newIndex() < 0 ? clips.get(change.oldIndex()).shotId() == 0 : newer.get(change.newIndex()).cut().isSlate();
    }

    /** What is known beside the master and the cut: the names of sources by identity, and what people said of them. */
    public interface Sources {
        /** All names of a source that an earlier cut brought; null where it is not known. */
        Source named(String identity);

        /** Whether two sources were said to be one, or two; null where nobody said. */
        Boolean areSame(String older, String newer);

        /** Nothing is known. */
        Sources NONE = new Sources() {
            @Override
            public Source named(String identity) {
                return null;
            }

            @Override
            public Boolean areSame(String older, String newer) {
                return null;
            }
        };
    }

    /** A shot that the cut names by our own name may stand in it under the edit room's source too. */
    private static List<SourceUse> uses(List<ComparedClip> bySource, List<ComparedClip> asCompared, Sources known) {
        SourceUse.Gathering gathering = new SourceUse.Gathering();
        Set<ComparedClip> all = new LinkedHashSet<>(asCompared);
        all.addAll(bySource);
        all.removeIf(ComparedClip::isSlate);
        for (ComparedClip clip : all) {
            Source source = known.named(clip.key());
            gathering.add(clip.key(), source == null ? Source.ofIdentity(clip.key()) : source, clip.still(), clip.low(),
                    clip.high());
        }
        return gathering.uses();
    }

    private static List<SourceUse> uses(List<Newer> found) {
        SourceUse.Gathering gathering = new SourceUse.Gathering();
        found.stream().filter(n -> !n.clip().isSlate()).forEach(n -> gathering.add(n.clip().key(), n.cut().source(), n.clip().still(), n.clip().low(),
                n.clip().high()));
        return gathering.uses();
    }

    /** Sources of the newer cut that the master knows under other names, and how sure that is. */
    public List<SameSources.Link> sameSources() {
        return sources.links();
    }

    /** The link by which a clip of the newer cut was known; empty where its source has the same names. */
    public Optional<SameSources.Link> linkOf(int newIndex) {
        Newer clip = newer.get(newIndex);
        return clip.origin().isPresent() ? Optional.empty() : Optional.ofNullable(sources.newer(clip.cut().identity()));
    }

    /**
     * @param masters finds nested masters by id: the clips of those are compared too
     * @param shots   the master's shots by id
     * @param clips  the newer cut, as the shots it would become
     * @param origins our own names
     * @param known   what else is known of sources
     */
    public static Turnover of(Master master, LongFunction<Master> masters, Map<Long, Shot> shots,
                              List<CutClip> clips, Origins origins, Sources known, int handles,
                              ChangeFinder.SoundDiffers sound) {
        List<Newer> newer = known(clips, master, masters, shots).stream().map(p -> newer(p, (p.isSlate() ? Optional.<Origins.Origin>empty() : origins.of(p)).filter(o -> shots.containsKey(o.shotId()))))
                .toList();
        return new Turnover(master, masters, shots, newer, origins, known, handles, sound);
    }

    /** What differs. Old indexes count the master's clips that show shots, new ones the newer cut's clips. */
    public ChangeList changes() {
        return changes;
    }

    /** The shot that a change is about; empty for a new one. */
    public Optional<Shot> shotOf(Change change) {
        return change.oldIndex() < 0 ? Optional.empty()
                : Optional.ofNullable(shots.get(clips.get(change.oldIndex()).shotId()));
    }

    /**
     * What a change is, whatever else is in the list: its clip of the master, its clip of the cut, its kind and its figures.
     * Equal for the same change of a later comparing; another one after somebody changed the clip meanwhile.
     */
    public String nameOf(Change change) {
        long clip = change.oldIndex() < 0 ? 0 : clips.get(change.oldIndex()).id();
        long moved = change.kind() == ChangeKind.SHIFTED || change.kind() == ChangeKind.MOVED ? change.shift() : 0;
        return change.kind().word() + " " + clip + " " + change.newIndex() + " " + change.head() + " " + change.tail() + " "
                + change.slip() + " " + moved;
    }

    /** How many of our clips, from one on, are compared as one clip: they were only split. */
    int partsOf(int clip) {
        return split.parts(clip);
    }

    /** The shot that a change is about, one of ours that comes again too; empty for a shot to be made. */
    public Optional<Shot> ourShotOf(Change change) {
        return shotOf(change).or(() -> ownAgain(change).map(again -> shots.get(again.shotId())));
    }

    /** One of our shots that a new clip of the cut shows by our name; empty where it is a shot to be made. */
    Optional<Clip> ownAgain(Change change) {
        return change.newIndex() < 0 ? Optional.empty() : newer.get(change.newIndex()).ownAgain();
    }

    public Clip clipOf(Change change) {
        return clips.get(change.oldIndex());
    }

    /** Our clips that are compared, shots and slates of cuts, in order, as old indexes count them; those of nested masters too. */
    public List<LiveClips.Live> clips() {
        return live;
    }

    /** The shot that a clip of the newer cut shows; empty for one that we do not have. @param index its index in the cut */
    public Optional<Shot> ourShotOf(int index) {
        int place = places.get(index);
        int clip = place == NOT_COMPARED ? -1 : changes.pairs().get(place);
        return clip < 0 ? Optional.empty() : Optional.ofNullable(shots.get(clips.get(clip).shotId()));
    }

    /** A clip of the newer cut by its index among those compared: what runs on in one of our shots is one. */
    public CutClip newClip(int index) {
        return newer.get(index).cut();
    }

    static Newer newer(CutClip cut, Optional<Origins.Origin> origin) {
        ComparedClip plain = ComparedClip.of(cut);
        FrameRange edge = cut.edge();
        String head = Transitions.describe(Transitions.head(cut.head(), edge.in()));
        String tail = tailOf(cut);
        ComparedClip clip = origin
                .map(o -> new ComparedClip(plain.record(), edge, key(o.shotId()), o.position(), o.slope(),
                        o.course(edge), false, plain.name(), head, tail))
                .orElse(new ComparedClip(plain.record(), edge, plain.key(), plain.from(), plain.slope(), plain.course(),
                        plain.still(), plain.name(), head, tail));
        return new Newer(cut, origin, clip);
    }

    private static String tailOf(CutClip cut) {
        return Transitions.describe(Transitions.tail(cut.tail(), cut.record(), cut.edge().out()));
    }

    private List<ComparedClip> olderClips(Set<Long> named) {
        List<ComparedClip> older = new ArrayList<>();
        for (int i = 0; i < clips.size(); i++) {
            Clip clip = fromBlack(i > 0 ? clips.get(i - 1) : null, clips.get(i));
            Clip next = i + 1 < clips.size() ? clips.get(i + 1) : null;
            older.add(older(clip, clip.seen(next), shots.get(clip.shotId()),
                    named.contains(clip.shotId())));
        }
        return older;
    }

    /** A transition over nothing is a fade in, which lists cut where it begins. */
    private static Clip fromBlack(Clip before, Clip clip) {
        Transition head = clip.head();
        boolean meets = before != null && before.enabled() && before.record().out() == clip.record().in();
        return head == null || meets || head.before() == 0 ? clip
                : clip.over(clip.record().withIn(clip.record().in() - head.before()))
                .withTransitions(new Transition(head.kind(), 0, head.length(), head.curve()), clip.tail());
    }

    private static ComparedClip older(Clip clip, FrameRange seen, Shot shot, boolean named) {
        String head = Transitions.describe(clip.head());
        String tail = Transitions.describe(clip.tail());
        Clip.Content.Slate slate = slateOf(clip);
        if (slate != null) {
            return new ComparedClip(seen, clip.record(), CutClip.slateKey(slate.text()), Rational.ZERO, Rational.ONE, null, true, slate.text(), head, tail);
        }
        Shot.Anchor anchor = shot.anchor();
        if (named) {
            return new ComparedClip(seen, clip.record(), key(shot.id()), clip.from(), clip.speed(),
                    clip.runsEvenly() ? null : new Course(clip.record(), clip::at), false, shot.code(), head, tail);
        }
        Rational slope = anchor.slope().times(clip.speed());
        Course course = clip.runsEvenly() && anchor.course() == null ? null
                : new Course(clip.record(), r -> anchor.sourceAt(clip.at(r)));
        return new ComparedClip(seen, clip.record(), anchor.key(), anchor.sourceAt(clip.from()), slope,
                course, anchor.still(), shot.code(), head, tail);
    }

    static String key(long shotId) {
        return "shot:" + shotId;
    }
}
