package freshsplice.core.conform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Cuts;
import freshsplice.core.cut.Marker;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class CodePatternTest {
    @ParameterizedTest
    @CsvSource({"LW_[###]_*,LW_040_bicycle,sh040", "LW_[###]_*,lw_041_Gulls.png,sh041", "[sh####]*,SH0100 v2,SH0100",
        "*[sc##_###]*,cut_SC12_030_boards,SC12_030", "[*],a b/c,a_b_c"})
    void findsTheCodeInAName(String pattern, String name, String code) {
        assertThat(CodePattern.of(pattern).in(name, "sh")).contains(code);
    }

    @ParameterizedTest
    @CsvSource({"LW_[###]_*,LW_40_bicycle", "LW_[###]_*,other", "[###],''"})
    void leavesOtherNamesAlone(String pattern, String name) {
        assertThat(CodePattern.of(pattern).in(name, "sh")).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "LW_###", "[]", "[#][#]", "]#[", "*a*a*a*[#]"})
    void aPatternWithoutItsPartIsRefusedWithAnExample(String pattern) {
        assertThatThrownBy(() -> CodePattern.of(pattern)).isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("LW_[###]_*");
    }

    @Test
    void codesThatAreTakenOrMissingGetANumberOfTheirOwn() {
        List<String> codes = CodePattern.of("LW_[####]*").codes(Stream.of("LW_0010 a", "title", "LW_0020 b",
                "LW_0020 c", "LW_0030").map(List::of).toList(), ShotNumbering.DEFAULT, Set.of("sh0030"));
        assertThat(codes).startsWith("sh0010", "sh0015", "sh0020").doesNotHaveDuplicates().doesNotContain("sh0030");
    }

    @Test
    void codesMayHaveCapitalsAndOnesThatDifferInCaseAloneAreOne() {
        ShotNumbering capitals = new ShotNumbering("HB_", 10, 3, 1001);
        assertThat(capitals.codes(2, Set.of("hb_010"))).containsExactly("HB_020", "HB_030");
        assertThat(capitals.codes(2, Set.of(), 100)).containsExactly("HB_100", "HB_110");
        assertThat(capitals.between("HB_010", "hb_020", Set.of())).isEqualTo("HB_015");
        assertThat(CodePattern.of("[*]").codes(Stream.of("HB_010", "hb_010").map(List::of).toList(), capitals, Set.of()))
                .startsWith("HB_010").doesNotContain("hb_010");
        assertThatThrownBy(() -> new ShotNumbering("ä", 10, 4, 1001)).hasMessageContaining("begins with a letter");
    }

    @Test
    void aCodeInAMarkerStandsInWhereTheNameHasNone() {
        Cut plain = Cuts.of(Cuts.track(Cuts.clip("a.png", 0, 50, 0), Cuts.clip("LW_0300_b.png", 50, 90, 0)));
        Cut cut = new Cut("Test", plain.rate(), false, plain.record(), plain.tracks(), List.of(
                new Marker(FrameRange.ofLength(10, 1), "note", "LW_0200", ""),
                new Marker(FrameRange.ofLength(60, 1), "LW_0900", "", "")));
        ConformChoices choices = new ConformChoices(ShotNumbering.DEFAULT, CodePattern.of("LW_[####]*"), null, s -> false,
                Map.of(), Map.of(), Set.of());
        assertThat(Conform.plan(cut, choices).shots()).extracting(PlannedShot::code).containsExactly("sh0200", "sh0300");
    }

    /** Two scenes in one cut: each has an action clock that its own first shot begins. */
    @Test
    void scenesAreFoundInNamesAndHaveClocksOfTheirOwn() {
        Cut cut = Cuts.of(Cuts.track(Cuts.clip("sc12_a", 0, 50, 0), Cuts.clip("SC07_b", 50, 90, 0), Cuts.clip("sc12_c", 90, 100, 0),
                Cuts.clip("loose", 100, 130, 0)));
        ConformChoices choices = new ConformChoices(ShotNumbering.DEFAULT, null, CodePattern.of("sc[##]_*"), s -> false, Map.of(),
                Map.of(), Set.of());
        ConformPlan plan = Conform.plan(cut, choices);
        assertThat(plan.shots()).extracting(PlannedShot::scene).containsExactly("12", "07", "12", "");
        assertThat(FirstMaster.of(cut, plan, 8).shots()).extracting(s -> s.actionAt(Rational.of(1001)).floor())
                .containsExactly(0L, 0L, 90L, 100L);
    }

    @Test
    void aPatternOfManyStarsEndsSoon() {
        CodePattern pattern = CodePattern.of("*a*a[*]b");
        org.junit.jupiter.api.Assertions.assertTimeoutPreemptively(Duration.ofSeconds(20), () ->
                assertThat(pattern.in("a".repeat(5000), "sh")).isEmpty());
    }
}
