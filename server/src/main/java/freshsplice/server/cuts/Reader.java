package freshsplice.server.cuts;

import freshsplice.core.conform.Sequences;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Remark;
import freshsplice.core.rates.ClipRates;
import freshsplice.core.rates.CutRate;
import freshsplice.core.rates.RateWay;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRate;
import freshsplice.exchange.Formats;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.Reading;
import freshsplice.exchange.format.UnreadableFile;
import freshsplice.server.media.MediaStore;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.Store;
import freshsplice.server.settings.Settings;
import freshsplice.server.stores.cuts.CutWriter;
import freshsplice.server.stores.masters.MasterStore;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;

/** Reads the file of a cut into its tables, as its row says: which sequence, at what rate, made to meet which way. */
@Component
class Reader {
    private final Store store;
    private final CutWriter writer;
    private final MediaStore media;
    private final MasterStore masters;
    private final Settings settings;

    Reader(Store store, CutWriter writer, MediaStore media, MasterStore masters, Settings settings) {
        this.store = store;
        this.writer = writer;
        this.media = media;
        this.masters = masters;
        this.settings = settings;
    }

    /** @param given somebody's word for the rate, against the file's own; null to go by the file, then the project */
    void read(CutRow row, FrameRate given) {
        FrameRate rate = given;
        Reading reading = reading(row, given);
        if (given == null && guess(reading) != null && masters.of(row.projectId).isPresent()) {
            rate = store.get(ProjectRow.class, row.projectId).rate;
            reading = reading(row, rate);
        }
        take(row, given, rate, reading);
    }

    private void take(CutRow row, FrameRate given, FrameRate rate, Reading reading) {
        int chosen = row.id == null ? Sequences.likeliest(reading.cuts()) : row.chosen;
        Cut cut = reading.cuts().get(Math.max(0, Math.min(chosen, reading.cuts().size() - 1)));
        if (cut.record().isEmpty()) {
            throw new Refused(row.fileName + " holds a sequence without a frame: there is nothing to make shots of");
        }
        List<Remark> remarks = new ArrayList<>(reading.remarks());
        Cut met = meetProject(row, cut, remarks);
        row.chosen = chosen;
        row.name = cut.name().length() > 500 ? cut.name().substring(0, 500) : cut.name();
        row.rate = met.rate();
        boolean asBefore = given != null && given.equals(row.givenRate);
        row.rateReason = rate == null ? guess(reading) : asBefore ? row.rateReason : null;
        row.givenRate = given;
        row.dropFrame = met.dropFrame();
        row.recIn = met.record().in();
        row.recOut = met.record().out();
        if (row.id == null) {
            store.add(row);
        }
        writer.write(row, met, remarks);
        writer.writeChoices(row, reading.cuts());
    }

    /** Reads it at the one rate of the movies that came with it, where its own had to be guessed and it can be read so. */
    void readAsMovies(CutRow row, FrameRate rate, int movies) {
        Reading reading = row.rateReason == null || rate.equals(row.rate) ? null : readingIfAny(row, rate);
        if (reading == null) {
            return;
        }
        take(row, rate, rate, reading);
        row.rateReason = "It does not say its rate; read at " + rate + " frames/s, the rate of "
                + (movies == 1 ? "the movie" : "all " + movies + " movies") + " that came with it. Give the rate to choose another";
    }

    /** Null where it cannot be read at that rate. */
    private Reading readingIfAny(CutRow row, FrameRate rate) {
        try {
            return reading(row, rate);
        } catch (UnreadableFile | Refusal e) {
            return null;
        }
    }

    /** Why a rate was guessed; null where the file says it. */
    private static String guess(Reading reading) {
        return reading.remarks().stream().filter(r -> r.about() == Remark.About.GUESSED_RATE).map(Remark::text).findFirst()
                .orElse(null);
    }

    private Reading reading(CutRow row, FrameRate rate) {
        InputFile file = InputFile.of(media.file(row.stored), row.fileName, settings.cutLimits());
        return Formats.read(file, new ReadOptions(rate, settings.cutLimits()));
    }

    /** Clips at their chosen way, and a later cut on the project's clock: by real time where nothing is chosen. */
    private Cut meetProject(CutRow row, Cut cut, List<Remark> remarks) {
        Cut clips = row.clipWay == null ? cut : ClipRates.shown(cut, row.clipWay);
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        boolean meets = masters.of(project.id).isEmpty() || cut.rate().equals(project.rate);
        row.fileRate = meets ? null : cut.rate();
        if (meets) {
            row.rateWay = null;
            return clips;
        }
        row.rateWay = row.rateWay == null ? RateWay.REAL_TIME : row.rateWay;
        CutRate.RateChange changed = CutRate.of(clips, project.rate, project.dropFrame, row.rateWay);
        remarks.addAll(changed.remarks());
        return changed.cut();
    }
}
