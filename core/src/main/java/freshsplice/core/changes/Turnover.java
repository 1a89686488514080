package freshsplice.core.changes;

import freshsplice.core.conform.CutPiece;
import freshsplice.core.cut.Source;
import freshsplice.core.identity.SameSources;
import freshsplice.core.identity.SourceUse;
import freshsplice.core.master.LivePieces;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
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
 * A master against a newer cut. A piece that names one of our renders is compared by our own frames, every other by
 * its source; so a list that we handed out ourselves has no changes when it is read in again.
 */
public final class Turnover {
    /** A piece of the newer cut with the frames of ours that it names, if it names any. */
    record Newer(CutPiece cut, Optional<Origins.Origin> origin, Piece piece) {
        /** The piece of ours that shows it, without transitions; empty where it is a shot to be made. */
        Optional<Section> ownAgain() {
            return origin.map(o -> new Section(0, new Section.Content.OfShot(o.shotId()), cut.edge(), o.position(), o.slope(), o.bends(), true,
                    null, null));
        }
    }

    private static final int NOT_COMPARED = -1;

    final Master master;
    final Map<Long, Shot> shots;
    /** The pieces of the main lane that are compared, shots and slates of cuts, with what they lie nested in. */
    final List<LivePieces.Live> live;
    final List<Section> sections;
    /** Words of slates that lie somewhere and are not compared. */
    private final Set<String> ownSlates;
    final List<Newer> newer;
    /** For each piece of the cut as it came, which of {@link #newer} it is in. */
    private final List<Integer> places;
    private final SameSources sources;
    private final OnlySplit split;
    private final ChangeList changes;

    private Turnover(Master master, LongFunction<Master> masters, Map<Long, Shot> shots, List<Newer> found, Origins origins,
                     Sources known, int handles, ChangeFinder.SoundDiffers sound) {
        this.master = master;
        this.shots = shots;
        LivePieces pieces = new LivePieces(masters);
        List<LivePieces.Live> all = pieces.ofLane(master, 0);
        Set<String> titles = found.stream().map(Newer::cut).filter(CutPiece::isSlate).map(CutPiece::name).collect(Collectors.toSet());
        this.live = all.stream().filter(l -> l.section().shotId() != 0 || isOfCut(l.section(), titles)).toList();
        this.ownSlates = IntStream.range(0, master.lanes().size()).boxed().flatMap(l -> pieces.ofLane(master, l).stream())
                .filter(l -> !live.contains(l)).map(l -> slateOf(l.section())).filter(Objects::nonNull).map(Section.Content.Slate::text)
                .collect(Collectors.toSet());
        this.sections = live.stream().map(LivePieces.Live::section).toList();
        Set<Long> named = new HashSet<>();
        List<Newer> compared = found.stream().filter(n -> !isOurSlate(n.cut())).toList();
        compared.forEach(n -> n.origin().ifPresent(o -> named.add(o.shotId())));
        List<Piece> olds = olderPieces(named);
        this.sources = SameSources.of(uses(olderPieces(Set.of()), olds, known), uses(compared), known::areSame);
        RunningOn joined = RunningOn.join(compared, sections.stream().map(s -> s.record().in()).collect(Collectors.toSet()), shots, origins, sources);
        UnderOurName underOurs = new UnderOurName(sections, shots, named, sources);
        this.newer = joined.pieces().stream().map(underOurs::of)
                .map(n -> new Newer(n.cut(), n.origin(), PieceSources.newer(n.piece(), sources))).toList();
        Iterator<Integer> next = joined.places().iterator();
        this.places = found.stream().map(n -> isOurSlate(n.cut()) ? NOT_COMPARED : next.next()).toList();
        List<Piece> news = newer.stream().map(Newer::piece).toList();
        List<Piece> ours = olds.stream().map(p -> PieceSources.older(p, sources)).toList();
        OnlySplit on = OnlySplit.of(sections, ours, news, i -> !sections.get(i).enabled());
        ChangeList withoutOff = ChangeFinder.find(on.pieces(), news, handles, sound);
        IntPredicate leftOut = leftOut(ours, news, withoutOff);
        boolean noneBack = IntStream.range(0, ours.size()).allMatch(i -> sections.get(i).enabled() || leftOut.test(i));
        this.split = noneBack ? on : OnlySplit.of(sections, ours, news, leftOut);
        this.changes = withoutSwitchedOff(split.ofSections(noneBack ? withoutOff : ChangeFinder.find(split.pieces(), news, handles, sound)));
    }

    /** What is switched off is compared only where the cut has something of its source that nothing else of ours is. */
    private IntPredicate leftOut(List<Piece> ours, List<Piece> news, ChangeList withoutOff) {
        Set<String> unknown = withoutOff.changes().stream().filter(c -> c.kind() == ChangeKind.NEW)
                .map(c -> news.get(c.newIndex()).key()).collect(Collectors.toSet());
        return i -> !sections.get(i).enabled() && !unknown.contains(ours.get(i).key());
    }


    /** A piece of ours that is switched off, and that the cut does not show, is as the cut has it. */
    private ChangeList withoutSwitchedOff(ChangeList all) {
        return new ChangeList(all.changes().stream().filter(c -> c.kind() != ChangeKind.OMITTED
                || sections.get(c.oldIndex()).enabled()).toList(), all.kept(), all.pairs());
    }

    private static Section.Content.Slate slateOf(Section section) {
        return section.content() instanceof Section.Content.Slate slate ? slate : null;
    }

    /** Whether a slate came with a cut, or the newer one has it too: what was put there by hand no cut knows of. */
    private static boolean isOfCut(Section section, Set<String> titles) {
        Section.Content.Slate slate = slateOf(section);
        return slate != null && (slate.made() != null || titles.contains(slate.text()));
    }

    /** A title with the words of a slate of ours that is not compared is that slate handed back. */
    private boolean isOurSlate(CutPiece piece) {
        return piece.isSlate() && ownSlates.contains(piece.name())
                && sections.stream().map(Turnover::slateOf).filter(Objects::nonNull).noneMatch(s -> s.text().equals(piece.name()));
    }

    /** A clip without media under the words of one of our slates: AX is what an EDL has for a title. */
    private static boolean isHandedBack(CutPiece piece, Set<String> words) {
        Source source = piece.source();
        return source != null && source.file() == null && (source.reel() == null || source.reel().equals("AX"))
                && words.contains(piece.name());
    }

    /** Pieces as what they are to us: titles that lists have as clips, and clips of shots that were made of titles once. */
    private static List<CutPiece> known(List<CutPiece> pieces, Master master, LongFunction<Master> masters, Map<Long, Shot> shots) {
        LivePieces live = new LivePieces(masters);
        Set<String> words = IntStream.range(0, master.lanes().size()).boxed().flatMap(l -> live.ofLane(master, l).stream())
                .map(l -> slateOf(l.section())).filter(Objects::nonNull).map(Section.Content.Slate::text).collect(Collectors.toSet());
        Set<String> filmed = shots.values().stream().map(s -> s.anchor().key()).collect(Collectors.toSet());
        return pieces.stream().map(p -> p.isSlate() && filmed.contains(p.asClip().identity()) ? p.asClip()
                : !p.isSlate() && isHandedBack(p, words) ? p.asSlate(p.name()) : p).toList();
    }

    /** Whether a piece of ours was compared. */
    boolean isCompared(Section section) {
        return section.shotId() != 0 || sections.contains(section);
    }

    /** Whether a change is one of a title, colour or bars: nothing is filmed in it. */
    public boolean isOfSlate(Change change) {
        return change.newIndex() < 0 ? sections.get(change.oldIndex()).shotId() == 0 : newer.get(change.newIndex()).cut().isSlate();
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
    private static List<SourceUse> uses(List<Piece> bySource, List<Piece> asCompared, Sources known) {
        SourceUse.Gathering gathering = new SourceUse.Gathering();
        Set<Piece> all = new LinkedHashSet<>(asCompared);
        all.addAll(bySource);
        all.removeIf(Piece::isSlate);
        for (Piece piece : all) {
            Source source = known.named(piece.key());
            gathering.add(piece.key(), source == null ? Source.ofIdentity(piece.key()) : source, piece.still(), piece.low(),
                    piece.high());
        }
        return gathering.uses();
    }

    private static List<SourceUse> uses(List<Newer> found) {
        SourceUse.Gathering gathering = new SourceUse.Gathering();
        found.stream().filter(n -> !n.piece().isSlate()).forEach(n -> gathering.add(n.piece().key(), n.cut().source(), n.piece().still(), n.piece().low(),
                n.piece().high()));
        return gathering.uses();
    }

    /** Sources of the newer cut that the master knows under other names, and how sure that is. */
    public List<SameSources.Link> sameSources() {
        return sources.links();
    }

    /** The link by which a piece of the newer cut was known; empty where its source has the same names. */
    public Optional<SameSources.Link> linkOf(int newIndex) {
        Newer piece = newer.get(newIndex);
        return piece.origin().isPresent() ? Optional.empty() : Optional.ofNullable(sources.newer(piece.cut().identity()));
    }

    /**
     * @param masters finds nested masters by id: the pieces of those are compared too
     * @param shots   the master's shots by id
     * @param pieces  the newer cut, as the shots it would become
     * @param origins our own names
     * @param known   what else is known of sources
     */
    public static Turnover of(Master master, LongFunction<Master> masters, Map<Long, Shot> shots,
                              List<CutPiece> pieces, Origins origins, Sources known, int handles,
                              ChangeFinder.SoundDiffers sound) {
        List<Newer> newer = known(pieces, master, masters, shots).stream().map(p -> newer(p, (p.isSlate() ? Optional.<Origins.Origin>empty() : origins.of(p)).filter(o -> shots.containsKey(o.shotId()))))
                .toList();
        return new Turnover(master, masters, shots, newer, origins, known, handles, sound);
    }

    /** What differs. Old indexes count the master's sections that show shots, new ones the newer cut's pieces. */
    public ChangeList changes() {
        return changes;
    }

    /** The shot that a change is about; empty for a new one. */
    public Optional<Shot> shotOf(Change change) {
        return change.oldIndex() < 0 ? Optional.empty()
                : Optional.ofNullable(shots.get(sections.get(change.oldIndex()).shotId()));
    }

    /**
     * What a change is, whatever else is in the list: its piece of the master, its piece of the cut, its kind and its figures.
     * Equal for the same change of a later comparing; another one after somebody changed the piece meanwhile.
     */
    public String nameOf(Change change) {
        long section = change.oldIndex() < 0 ? 0 : sections.get(change.oldIndex()).id();
        long moved = change.kind() == ChangeKind.SHIFTED || change.kind() == ChangeKind.MOVED ? change.shift() : 0;
        return change.kind().word() + " " + section + " " + change.newIndex() + " " + change.head() + " " + change.tail() + " "
                + change.slip() + " " + moved;
    }

    /** How many of our sections, from one on, are compared as one piece: they were only split. */
    int partsOf(int section) {
        return split.parts(section);
    }

    /** The shot that a change is about, one of ours that comes again too; empty for a shot to be made. */
    public Optional<Shot> ourShotOf(Change change) {
        return shotOf(change).or(() -> ownAgain(change).map(again -> shots.get(again.shotId())));
    }

    /** One of our shots that a new piece of the cut shows by our name; empty where it is a shot to be made. */
    Optional<Section> ownAgain(Change change) {
        return change.newIndex() < 0 ? Optional.empty() : newer.get(change.newIndex()).ownAgain();
    }

    public Section sectionOf(Change change) {
        return sections.get(change.oldIndex());
    }

    /** Our pieces that are compared, shots and slates of cuts, in order, as old indexes count them; those of nested masters too. */
    public List<LivePieces.Live> pieces() {
        return live;
    }

    /** The shot that a piece of the newer cut shows; empty for one that we do not have. @param piece its index in the cut */
    public Optional<Shot> ourShotOf(int piece) {
        int place = places.get(piece);
        int section = place == NOT_COMPARED ? -1 : changes.pairs().get(place);
        return section < 0 ? Optional.empty() : Optional.ofNullable(shots.get(sections.get(section).shotId()));
    }

    /** A piece of the newer cut by its index among those compared: what runs on in one of our shots is one. */
    public CutPiece newPiece(int index) {
        return newer.get(index).cut();
    }

    static Newer newer(CutPiece cut, Optional<Origins.Origin> origin) {
        Piece plain = Piece.of(cut);
        FrameRange edge = cut.edge();
        String head = Transitions.describe(Transitions.head(cut.head(), edge.in()));
        String tail = tailOf(cut);
        Piece piece = origin
                .map(o -> new Piece(plain.record(), edge, key(o.shotId()), o.position(), o.slope(),
                        o.course(edge), false, plain.name(), head, tail))
                .orElse(new Piece(plain.record(), edge, plain.key(), plain.from(), plain.slope(), plain.course(),
                        plain.still(), plain.name(), head, tail));
        return new Newer(cut, origin, piece);
    }

    private static String tailOf(CutPiece cut) {
        return Transitions.describe(Transitions.tail(cut.tail(), cut.record(), cut.edge().out()));
    }

    private List<Piece> olderPieces(Set<Long> named) {
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < sections.size(); i++) {
            Section section = fromBlack(i > 0 ? sections.get(i - 1) : null, sections.get(i));
            Section next = i + 1 < sections.size() ? sections.get(i + 1) : null;
            pieces.add(older(section, section.seen(next), shots.get(section.shotId()),
                    named.contains(section.shotId())));
        }
        return pieces;
    }

    /** A transition over nothing is a fade in, which lists cut where it begins. */
    private static Section fromBlack(Section before, Section section) {
        Transition head = section.head();
        boolean meets = before != null && before.enabled() && before.record().out() == section.record().in();
        return head == null || meets || head.before() == 0 ? section
                : section.over(section.record().withIn(section.record().in() - head.before()))
                .withTransitions(new Transition(head.kind(), 0, head.length(), head.curve()), section.tail());
    }

    private static Piece older(Section section, FrameRange seen, Shot shot, boolean named) {
        String head = Transitions.describe(section.head());
        String tail = Transitions.describe(section.tail());
        Section.Content.Slate slate = slateOf(section);
        if (slate != null) {
            return new Piece(seen, section.record(), CutPiece.slateKey(slate.text()), Rational.ZERO, Rational.ONE, null, true, slate.text(), head, tail);
        }
        Shot.Anchor anchor = shot.anchor();
        if (named) {
            return new Piece(seen, section.record(), key(shot.id()), section.from(), section.speed(),
                    section.runsEvenly() ? null : new Course(section.record(), section::at), false, shot.code(), head, tail);
        }
        Rational slope = anchor.slope().times(section.speed());
        Course course = section.runsEvenly() && anchor.course() == null ? null
                : new Course(section.record(), r -> anchor.sourceAt(section.at(r)));
        return new Piece(seen, section.record(), anchor.key(), anchor.sourceAt(section.from()), slope,
                course, anchor.still(), shot.code(), head, tail);
    }

    static String key(long shotId) {
        return "shot:" + shotId;
    }
}
