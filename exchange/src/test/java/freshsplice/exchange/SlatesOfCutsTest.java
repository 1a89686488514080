package freshsplice.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.changes.Applying;
import freshsplice.core.changes.Change;
import freshsplice.core.changes.ChangeKind;
import freshsplice.core.changes.Impact;
import freshsplice.core.changes.Origins;
import freshsplice.core.changes.ShotImpact;
import freshsplice.core.changes.Turnover;
import freshsplice.core.conform.Conform;
import freshsplice.core.conform.ConformChoices;
import freshsplice.core.conform.ConformPlan;
import freshsplice.core.conform.CutClips;
import freshsplice.core.conform.FirstMaster;
import freshsplice.core.conform.PlannedShot;
import freshsplice.core.conform.ShotNumbering;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.HandBack;
import freshsplice.core.delivery.ShotRenders;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Generator;
import freshsplice.core.master.Master;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.WriteOptions;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Titles, colours and bars of a cut are slates of the master and no shots; they follow newer cuts and go back as they came. */
class SlatesOfCutsTest {
    private static final String TITLE = "<effect><name>Text</name><effectid>Text</effectid><effecttype>generator</effecttype>"
            + "<parameter><parameterid>str</parameterid><name>Text</name><value>Two weeks later &amp; colder</value></parameter>"
            + "<parameter><parameterid>fontsize</parameterid><value>36</value></parameter></effect>";
    private static final String BARS = "<effect><name>Bars</name><effectid>Bars</effectid><effecttype>generator</effecttype></effect>";

    private Master master;
    private Map<Long, Shot> shots;

    private static String clip(String name, int start, int end, int in) {
        return "<clipitem id=\"" + name + start + "\"><name>" + name + "</name><duration>500</duration><start>" + start + "</start><end>" + end
                + "</end><in>" + in + "</in><out>" + (in + end - start) + "</out><file id=\"" + name + start + "f\"><name>" + name
                + ".mov</name><pathurl>file:///cut/" + name + ".mov</pathurl><rate><timebase>24</timebase><ntsc>FALSE</ntsc></rate>"
                + "<duration>500</duration></file></clipitem>";
    }

    private static String generator(String name, int start, int end, String effect) {
        return "<generatoritem id=\"g" + start + "\"><name>" + name + "</name><duration>1000</duration><start>" + start + "</start><end>" + end
                + "</end><in>0</in><out>" + (end - start) + "</out>" + effect + "</generatoritem>";
    }

    private static Cut cut(String items) {
        String text = "<?xml version=\"1.0\"?><xmeml version=\"5\"><sequence><name>reel</name><rate><timebase>24</timebase><ntsc>FALSE</ntsc>"
                + "</rate><timecode><rate><timebase>24</timebase><ntsc>FALSE</ntsc></rate><frame>86400</frame></timecode><media><video><track>"
                + items + "</track></video></media></sequence></xmeml>";
        return Formats.read(new InputFile("cut.xml", text.getBytes(StandardCharsets.UTF_8)), ReadOptions.DEFAULT).cuts().get(0);
    }

    private static final String FIRST = generator("Bars", 0, 48, BARS) + clip("gulls", 48, 100, 10) + generator("Text", 100, 150, TITLE)
            + clip("lamp", 150, 200, 0);

    private ConformPlan receive(Cut cut) {
        ConformPlan plan = Conform.plan(cut, ConformChoices.of(ShotNumbering.DEFAULT));
        FirstMaster.MasterWithShots made = FirstMaster.of(cut, plan, 8);
        List<Clip> named = IntStream.range(0, made.master().main().clips().size())
                .mapToObj(i -> made.master().main().clips().get(i).named(100 + i)).toList();
        master = made.master().withMain(named);
        shots = made.shots().stream().collect(Collectors.toMap(Shot::id, s -> s));
        return plan;
    }

    private Turnover against(Cut cut) {
        return Turnover.of(master, id -> null, shots, CutClips.joined(cut, seam -> false), new Origins(), Turnover.Sources.NONE, 8,
                (a, b) -> false);
    }

    private void applyAll(Turnover turnover) {
        Applying.Outcome outcome = Applying.apply(turnover, IntStream.range(0, turnover.changes().changes().size()).boxed()
                .collect(Collectors.toSet()), 1001);
        master = outcome.master();
    }

    private List<String> laid() {
        return master.main().clips().stream().map(s -> (s.content() instanceof Clip.Content.Slate slate ? slate.text()
                : shots.containsKey(s.shotId()) ? shots.get(s.shotId()).code() : "new") + " " + s.record().in() + "-" + s.record().out()).toList();
    }

    @Test
    void aTitleMakesNoShotAndTakesNoNumber() {
        ConformPlan plan = receive(cut(FIRST));
        assertThat(plan.shots()).extracting(PlannedShot::code).containsExactly("sh0010", "sh0020");
        assertThat(plan.shots()).extracting(s -> s.clip().name()).containsExactly("gulls", "lamp");
        assertThat(plan.gaps()).isEmpty();
        assertThat(plan.remarks()).extracting(Remark::text).containsExactly("2 titles, colours or bars of the edit program are slates and no "
                + "shots: Bars at 01:00:00:00, Two weeks later & colder at 01:00:04:04");
        assertThat(laid()).containsExactly("Bars 86400-86448", "sh0010 86448-86500", "Two weeks later & colder 86500-86550",
                "sh0020 86550-86600");
        assertThat(against(cut(FIRST)).changes().changes()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"edl", "xmeml", "aaf", "otio"})
    void itGoesBackWithItsWordsAndLengthAndIsNoChange(String format) {
        receive(cut(FIRST));
        Map<Long, HandBack.KnownShot> known = shots.values().stream().collect(Collectors.toMap(Shot::id, s -> new HandBack.KnownShot(s.code(),
                s.anchor(), new Source(s.anchor().name(), null, "/cut/" + s.anchor().name() + ".mov", FrameRate.FPS_24, null, 500L))));
        HandBack.HandedBack back = HandBack.of(master, id -> null, ShotRenders.of(List.of(), Grade::counts), known,
                HandBack.Rest.BOARD, List.of(), List.of());
        byte[] bytes = Formats.writer(format).write(back.cut(), WriteOptions.DEFAULT).bytes();
        Cut read = Formats.read(new InputFile("back." + format, bytes), new ReadOptions(master.rate(), ReadOptions.DEFAULT.limits())).cuts().get(0);
        Event title = read.tracks().get(0).events().stream().filter(e -> e.record().in() == 86_500).findFirst().orElseThrow();
        assertThat(title.record()).isEqualTo(FrameRange.of(86_500, 86_550));
        assertThat(title.wordsOrName()).isEqualToIgnoringCase("Two weeks later & colder");
        assertThat(title.kind() == Event.Kind.GENERATOR).isEqualTo(!format.equals("edl"));
        assertThat(against(read).changes().changes()).as(format).isEmpty();
        if (format.equals("xmeml")) {
            assertThat(title.name()).isEqualTo("Text");
            assertThat(new String(bytes, StandardCharsets.UTF_8)).contains("<parameterid>fontsize</parameterid><value>36</value>")
                    .containsOnlyOnce("Two weeks later &amp; colder");
        }
    }

    @Test
    void itFollowsANewerCut() {
        receive(cut(FIRST));
        Turnover turnover = against(cut(clip("gulls", 0, 52, 10) + generator("Text", 52, 92, TITLE) + clip("lamp", 92, 142, 0)
                + generator("Black video", 142, 160, "<effect><name>Colour</name></effect>")));
        assertThat(turnover.changes().changes()).filteredOn(c -> c.because() < 0).extracting(c -> c.kind() + " " + c.name())
                .containsExactlyInAnyOrder("OMITTED Bars", "TRIMMED Two weeks later & colder", "NEW Black video");
        assertThat(turnover.changes().changes()).filteredOn(c -> c.kind() != ChangeKind.SHIFTED)
                .allSatisfy(c -> assertThat(ShotImpact.of(c, turnover, null).needs()).isEqualTo(Impact.NOTHING));
        assertThat(turnover.changes().changes()).filteredOn(c -> c.kind() != ChangeKind.SHIFTED).extracting(turnover::shotOf)
                .allMatch(java.util.Optional::isEmpty);
        applyAll(turnover);
        assertThat(laid()).containsExactly("sh0010 86400-86452", "Two weeks later & colder 86452-86492", "sh0020 86492-86542",
                "Black video 86542-86560");
        assertThat(master.tracks()).hasSize(1);
        assertThat(master.main().clips().get(1).content()).isEqualTo(new Clip.Content.Slate("Two weeks later & colder",
                new Generator("Text", master.main().clips().get(1).content() instanceof Clip.Content.Slate s ? s.made().kept() : null)));
    }

    @Test
    void otherWordsTakeItsPlaceAndAShotNever() {
        receive(cut(FIRST));
        Turnover turnover = against(cut(generator("Bars", 0, 48, BARS) + clip("gulls", 48, 100, 10)
                + generator("Text", 100, 150, TITLE.replace("Two weeks", "A month")) + clip("lamp", 150, 200, 0)));
        assertThat(turnover.changes().changes()).extracting(Change::kind).containsExactly(ChangeKind.REPLACED);
        applyAll(turnover);
        assertThat(laid()).contains("A month later & colder 86500-86550");
        assertThat(master.main().clips().get(2).id()).isEqualTo(102);

        receive(cut(FIRST));
        Turnover filmed = against(cut(generator("Bars", 0, 48, BARS) + clip("gulls", 48, 100, 10) + clip("boat", 100, 150, 7)
                + clip("lamp", 150, 200, 0)));
        assertThat(filmed.changes().changes()).extracting(c -> c.kind() + " " + c.name())
                .containsExactlyInAnyOrder("OMITTED Two weeks later & colder", "NEW boat");
        Applying.Outcome outcome = Applying.apply(filmed, Set.of(0, 1), 1001);
        assertThat(outcome.newShots()).extracting(p -> p.name()).containsExactly("boat");
    }

    @Test
    void oneThatWasMadeHereStaysThoughNoCutHasIt() {
        receive(cut(FIRST));
        List<Clip> clips = new java.util.ArrayList<>(master.main().clips());
        clips.add(new Clip(200, new Clip.Content.Slate("to come"), FrameRange.of(86_600, 86_620), Rational.ZERO, Rational.ONE, true, null, null));
        master = master.withMain(clips);
        Turnover turnover = against(cut(FIRST.replace("<name>lamp</name>", "<name>lamp</name><enabled>TRUE</enabled>")));
        assertThat(turnover.changes().changes()).isEmpty();
        Turnover shorter = against(cut(generator("Bars", 0, 48, BARS) + clip("gulls", 48, 100, 10)));
        applyAll(shorter);
        assertThat(laid()).containsExactly("Bars 86400-86448", "sh0010 86448-86500", "to come 86600-86620");
    }

    @Test
    void aShotThatWasMadeOfATitleOnceStaysThatShot() {
        receive(cut(FIRST.replace(generator("Text", 100, 150, TITLE), clip("Text", 100, 150, 0))));
        shots.replaceAll((id, s) -> !s.code().equals("sh0020") ? s : new Shot(id, s.code(), s.cutRange(), s.handles(), s.actionOffset(),
                new Shot.Anchor("reel:\u0000Text", "Text", 1001, Rational.ZERO, Rational.ONE, false, null)));
        assertThat(against(cut(FIRST)).changes().changes()).isEmpty();
    }
}
