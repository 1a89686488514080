package freshsplice.server.sources;

import freshsplice.server.rows.MediaRow;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Locale;

/** A file to choose. @param mediaId null for one that lies in a folder of the server and was not used yet */
public record FileView(@Schema(nullable = true) Long mediaId, String path, String kind) {
    public static FileView of(MediaRow file) {
        return new FileView(file.id, file.path, file.kind.name().toLowerCase(Locale.ROOT));
    }
}
