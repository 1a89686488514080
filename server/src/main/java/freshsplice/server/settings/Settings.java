package freshsplice.server.settings;

import freshsplice.exchange.format.Limits;
import java.nio.file.Path;
import java.util.List;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * Settings below {@code fresh-splice.}; see docs/settings.md.
 *
 * @param folders          folders of the server in which pictures and sound are looked for
 * @param maxCutBytes      size of a cut's file
 * @param maxCutEvents     events in a cut's file
 * @param maxCutDepth      levels of nesting in it
 * @param maxZipEntries    files in a zip
 * @param maxZipBytes      bytes that a zip may unfold to
 * @param maxPictureSide   pixels a side
 * @param maxFolderFiles   files that are looked at in the server's folders
 * @param maxStandInFrames frames of a movie for which stand-in pictures are made in the background
 * @param drawHere         whether renders are drawn by this machine too, and not by others alone
 * @param workersAddress   address and port that machines which draw reach this one at; none where it is empty
 * @param workersShared    where such machines see the folder of frames; empty where they do not
 */
@ConfigurationProperties("fresh-splice")
public record Settings(@DefaultValue List<Path> folders,
                       @DefaultValue("512000000") long maxCutBytes,
                       @DefaultValue("1000000") int maxCutEvents,
                       @DefaultValue("64") int maxCutDepth,
                       @DefaultValue("20000") int maxZipEntries,
                       @DefaultValue("20000000000") long maxZipBytes,
                       @DefaultValue("16384") int maxPictureSide,
                       @DefaultValue("500000") int maxFolderFiles,
                       @DefaultValue("30000") int maxStandInFrames,
                       @DefaultValue("true") boolean drawHere,
                       @DefaultValue("") String workersAddress,
                       @DefaultValue("") String workersShared) {
    /** How much of a cut is read. */
    public Limits cutLimits() {
        return new Limits(maxCutBytes, maxCutEvents, maxCutDepth);
    }
}
