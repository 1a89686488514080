package freshsplice.server.http.cuts;

import com.lowagie.text.Document;
import com.lowagie.text.Font;
import com.lowagie.text.FontFactory;
import com.lowagie.text.Image;
import com.lowagie.text.PageSize;
import com.lowagie.text.Paragraph;
import com.lowagie.text.Phrase;
import com.lowagie.text.pdf.BaseFont;
import com.lowagie.text.pdf.PdfPCell;
import com.lowagie.text.pdf.PdfPTable;
import com.lowagie.text.pdf.PdfWriter;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Timecode;
import freshsplice.core.words.Amounts;
import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** An intake on paper: what came, what was made of it, what is missing, the remarks. */
final class IntakeReport {
    /** The face that the installation brings for burn-ins; it has the letters of most languages. */
    private static final String FACE = "/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf";
    private static final List<String> COLUMNS = List.of("What", "Shot", "In", "Out", "First", "Last", "Frames", "Source",
            "Board or remark", "File", "Source in", "Source out", "Speed", "Camera", "Sound");
    /** The first is the picture's, which the table on paper alone has. */
    private static final float[] WIDTHS = {9, 6, 7, 9.5f, 9.5f, 5, 5, 5, 13, 15, 15, 9.5f, 9.5f, 7, 8, 13};
    private static final float PICTURE_HEIGHT = 26;

    /** Finds the small picture of a shot's board. */
    interface Pictures {
        /** @return a JPEG; null without one */
        Path of(IntakeView.Shot shot);
    }

    private final IntakeView view;
    private final FrameRate rate;

    IntakeReport(IntakeView view) {
        this.view = view;
        this.rate = FrameRate.parse(view.rate());
    }

    private String title() {
        return view.name() + ", cut " + view.version() + " (" + view.fileName() + ")";
    }

    private String label(long frame) {
        return Timecode.of(frame, rate, view.dropFrame()).label();
    }

    private List<List<String>> rows() {
        List<List<String>> rows = new ArrayList<>();
        for (IntakeView.Shot s : view.shots()) {
            rows.add(List.of("shot", s.code(), label(s.in()), label(s.out()), "" + s.firstFrame(), "" + s.lastFrame(),
                    "" + (s.out() - s.in()), s.source(), s.found() == null ? "picture to find" : s.found(),
                    s.path() == null ? "" : s.path(), s.sourceIn(), s.sourceOut(), s.speed(), s.camera(), soundUnder(s)));
        }
        for (IntakeView.Gap g : view.gaps()) {
            rows.add(List.of("black", "", label(g.in()), label(g.out()), "", "", "" + (g.out() - g.in()), "", ""));
        }
        for (IntakeView.Sound s : view.sound()) {
            rows.add(List.of("sound", s.track(), label(s.in()), label(s.out()), "", "", "" + (s.out() - s.in()), s.name(),
                    s.mediaId() == null ? "sound to find" : "found"));
        }
        for (IntakeView.Missing m : view.missing()) {
            rows.add(List.of("missing", "", "", "", "", "", "" + m.frames(), m.name(), m.kind() + ", used "
                    + (m.uses() == 1 ? "once" : m.uses() + " times")));
        }
        for (IntakeView.Note n : view.remarks()) {
            rows.add(List.of(n.severity(), "", "", "", "", "", "", n.place(), n.text()));
        }
        return rows.stream().map(IntakeReport::filled).toList();
    }

    private static List<String> filled(List<String> cells) {
        List<String> row = new ArrayList<>(cells);
        row.addAll(Collections.nCopies(COLUMNS.size() - cells.size(), ""));
        return row;
    }

    private String soundUnder(IntakeView.Shot shot) {
        return view.sound().stream().filter(s -> s.isHeardIn(shot)).map(IntakeView.Sound::name).distinct()
                .collect(Collectors.joining("; "));
    }

    /** Comma-separated, UTF-8 with a mark so that tables open it right. A cell never begins as a formula would. */
    byte[] csv() {
        StringWriter text = new StringWriter().append('\uFEFF');
        try (CSVPrinter out = new CSVPrinter(text, CSVFormat.RFC4180)) {
            out.printRecord(COLUMNS);
            for (List<String> row : rows()) {
                out.printRecord(row.stream().map(c -> c.matches("(?s)[=+\\-@\\t\\r].*") ? "'" + c : c).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** On paper, with a small picture of each shot. */
    byte[] pdf(Pictures pictures) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (Document document = new Document(PageSize.A3.rotate(), 30, 30, 30, 30)) {
            PdfWriter.getInstance(document, bytes);
            document.addTitle(title());
            document.open();
            document.add(new Paragraph(title(), font(13, Font.BOLD)));
            document.add(new Paragraph(Amounts.of(view.shots().size(), "shot") + ", " + label(view.start()) + " to " + label(view.end())
                    + " at " + view.rate() + " frames/s, " + Amounts.of(view.missing().size(), "picture or sound", "pictures or sounds") + " missing, "
                    + Amounts.of(view.remarks().size(), "remark"), font(9, Font.NORMAL)));
            document.add(table(pictures));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private PdfPTable table(Pictures pictures) throws IOException {
        PdfPTable table = new PdfPTable(WIDTHS);
        table.setWidthPercentage(100);
        table.setSpacingBefore(10);
        table.setHeaderRows(1);
        table.addCell(cell("", Font.BOLD));
        COLUMNS.forEach(name -> table.addCell(cell(name, Font.BOLD)));
        List<List<String>> rows = rows();
        for (int i = 0; i < rows.size(); i++) {
            table.addCell(i < view.shots().size() ? picture(pictures.of(view.shots().get(i))) : cell("", Font.NORMAL));
            rows.get(i).forEach(text -> table.addCell(cell(text, Font.NORMAL)));
        }
        return table;
    }

    private static PdfPCell picture(Path file) throws IOException {
        if (file == null) {
            return cell("", Font.NORMAL);
        }
        PdfPCell cell = new PdfPCell(Image.getInstance(file.toUri().toURL()), true);
        cell.setFixedHeight(PICTURE_HEIGHT);
        return bordered(cell);
    }

    private static PdfPCell cell(String text, int style) {
        return bordered(new PdfPCell(new Phrase(text, font(6.5f, style))));
    }

    private static PdfPCell bordered(PdfPCell cell) {
        cell.setBorder(PdfPCell.BOTTOM);
        cell.setBorderColor(Color.LIGHT_GRAY);
        return cell;
    }

    private static Font font(float size, int style) {
        return FontFactory.isRegistered("report") || registered() ? FontFactory.getFont("report", BaseFont.IDENTITY_H,
                true, size, style) : FontFactory.getFont(FontFactory.HELVETICA, size, style);
    }

    private static boolean registered() {
        if (new java.io.File(FACE).canRead()) {
            FontFactory.register(FACE, "report");
        }
        return FontFactory.isRegistered("report");
    }
}
