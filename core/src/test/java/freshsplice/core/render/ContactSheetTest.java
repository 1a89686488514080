package freshsplice.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import freshsplice.core.refusal.Refusal;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class ContactSheetTest {
    private static final double WIDE = 16.0 / 9;

    private static ContactSheet sheet(int width, int height, int columns) {
        return new ContactSheet(width, height, 0, columns, 0, 0, 0, "#202020");
    }

    /** The worked example of the trade's rules: arithmetic of 3000 / 2 / 16 * 9 * 4 and 3000 / 3 / 16 * 9 * 3. */
    @Test
    @DisplayName("seven pictures of 16:9 in 3000 x 3000: two columns need 3375 and do not fit, three need 1687.5")
    void sevenInASquare() {
        ContactSheet.Layout two = sheet(3000, 3000, 2).layout(7, WIDE);
        assertThat(two.needed()).isEqualTo(3375);
        assertThat(two.pages()).isEqualTo(2);
        assertThat(two.onPage()).isEqualTo(6);
        assertThat(two.words(3000)).isEqualTo("2 columns need 3375 pixels for 7 pictures, the page has 3000: 6 fit, so there are 2 pages");
        ContactSheet.Layout three = sheet(3000, 3000, 3).layout(7, WIDE);
        assertThat(three.needed()).isEqualTo(1687.5);
        assertThat(three.pages()).isEqualTo(1);
        assertThat(three.words(3000)).isEqualTo("7 pictures in 3 columns: 15 fit on a page");
        assertThat(sheet(3000, 3000, 0).layout(7, WIDE).columns()).as("as few as hold all").isEqualTo(3);
    }

    @Test
    @DisplayName("pictures lie inside the page in their order, with their shape, their gaps and room for their captions, whatever the page")
    void anyPage() {
        for (int seed = 0; seed < 600; seed++) {
            Random random = new Random(seed);
            ContactSheet sheet = new ContactSheet(600 + random.nextInt(3000), 600 + random.nextInt(3000), random.nextInt(60), random.nextInt(7), random.nextInt(30),
                    random.nextInt(20), random.nextInt(40), "#ffffff");
            double aspect = 0.5 + random.nextDouble() * 2;
            int pictures = 1 + random.nextInt(80);
            ContactSheet.Layout layout;
            try {
                layout = sheet.layout(pictures, aspect);
            } catch (Refusal e) {
                assertThat(e.getMessage()).startsWith("No picture fits in");
                continue;
            }
            assertThat(layout.cells()).as("seed %d", seed).hasSize(pictures);
            assertThat(layout.pages()).isEqualTo(layout.cells().get(pictures - 1).page() + 1);
            for (int i = 0; i < pictures; i++) {
                ContactSheet.Cell cell = layout.cells().get(i);
                assertThat(cell.width() / cell.height()).isCloseTo(aspect, within(1e-9));
                assertThat(cell.left()).isGreaterThanOrEqualTo(sheet.margin() - 1e-6);
                assertThat(cell.left() + cell.width()).isLessThanOrEqualTo(sheet.width() - sheet.margin() + 1e-6);
                assertThat(cell.top() + cell.height() + sheet.caption()).as("seed %d", seed).isLessThanOrEqualTo(sheet.height() - sheet.margin() + 1e-3);
                if (i > 0 && layout.cells().get(i - 1).page() == cell.page()) {
                    ContactSheet.Cell before = layout.cells().get(i - 1);
                    boolean sameRow = before.top() == cell.top();
                    assertThat(sameRow ? cell.left() - before.left() - before.width() : cell.top() - before.top() - before.height() - sheet.caption())
                            .as("seed %d", seed).isCloseTo(sheet.gap(), within(1e-6));
                }
            }
        }
    }

    @Test
    @DisplayName("many pictures are parted over pages of a dozen or more; what cannot be is said")
    void manyAndNone() {
        ContactSheet.Layout many = sheet(2480, 3508, 0).layout(200, WIDE);
        assertThat(many.pages()).isEqualTo((200 + many.onPage() - 1) / many.onPage());
        assertThat(many.onPage()).isGreaterThanOrEqualTo(12);
        assertThatThrownBy(() -> sheet(3000, 3000, 3).layout(0, WIDE)).hasMessage("A sheet has at least one picture: choose shots");
        assertThatThrownBy(() -> sheet(3000, 300, 1).layout(1, WIDE)).hasMessageStartingWith("No picture fits in 1 column:");
        assertThatThrownBy(() -> sheet(100, 3000, 1)).hasMessageContaining("200 to 8192 pixels a side");
        assertThatThrownBy(() -> sheet(3000, 3000, 99)).hasMessageContaining("1 to 40 columns");
        assertThatThrownBy(() -> new ContactSheet(3000, 3000, 0, 0, 0, 0, 0, "red")).hasMessageContaining("#rrggbb");
        assertThatThrownBy(() -> new ContactSheet(3000, 3000, -1, 0, 0, 0, 0, "#000000")).isInstanceOf(Refusal.class);
    }
}
