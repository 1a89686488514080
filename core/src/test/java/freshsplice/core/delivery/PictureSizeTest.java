package freshsplice.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.camera.Kit;
import freshsplice.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.Test;

class PictureSizeTest {
    /** 1.9:1 at 3840 wide is 2021.05 high, at 4096 wide 2155.8: made even, and said (common practice). */
    @Test
    void aShapeIsMadeEvenAndSaid() {
        assertThat(PictureSize.of(3840, Rational.of(19, 10))).isEqualTo(new PictureSize(3840, 2022));
        assertThat(PictureSize.words(3840, Rational.of(19, 10))).isEqualTo("1.9:1 at 3840 wide is 2021.05 high, made 2022");
        assertThat(PictureSize.of(4096, Rational.of(19, 10)).height()).isEqualTo(2156);
        assertThat(PictureSize.words(1920, Rational.of(16, 9))).isEmpty();
        assertThat(PictureSize.of(1080, Rational.of(9, 16)).height()).isEqualTo(1920);
    }

    @Test
    void oddSmallAndHugeSizesAreRefusedWithWhatWouldDo() {
        assertThatThrownBy(() -> new PictureSize(1921, 1080)).hasMessageContaining("1920 or 1922");
        assertThatThrownBy(() -> new PictureSize(0, 1080)).hasMessageContaining("16 to 8192");
        assertThatThrownBy(() -> new PictureSize(1920, 8194)).hasMessageContaining("16 to 8192 pixels high");
    }

    @Test
    void aKitKnowsItsLensesAndSaysThemInOrder() {
        Kit kit = Kit.parse("50, 25 35;35");
        assertThat(kit.values()).isEqualTo(List.of(25.0, 35.0, 50.0));
        assertThat(kit.text()).isEqualTo("25 35 50");
        assertThat(kit.has(35)).isTrue();
        assertThat(kit.has(36)).isFalse();
        assertThat(Kit.parse(" ").has(36)).as("a kit that names none has all").isTrue();
        assertThat(Kit.parse("2.8 4").text()).isEqualTo("2.8 4");
        for (String wrong : List.of("wide", "0 35", "-5", "99999")) {
            assertThatThrownBy(() -> Kit.parse(wrong)).isInstanceOf(freshsplice.core.refusal.Refusal.class);
        }
    }

    @Test
    void usualSizesOfRendersHaveItsShapeAndEvenSides() {
        assertThat(new PictureSize(1280, 720).usual()).containsExactly(new PictureSize(640, 360), new PictureSize(960, 540),
                new PictureSize(1280, 720), new PictureSize(1920, 1080));
        assertThat(new PictureSize(3840, 2022).usual()).contains(new PictureSize(1920, 1012));
        assertThat(new PictureSize(8192, 4096).usual()).as("nothing over the largest side").hasSize(3);
        assertThat(new PictureSize(16, 16).usual()).as("nothing under the smallest").containsExactly(new PictureSize(16, 16),
                new PictureSize(24, 24));
    }
}
