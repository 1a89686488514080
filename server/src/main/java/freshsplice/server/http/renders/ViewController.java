package freshsplice.server.http.renders;

import freshsplice.core.delivery.PictureSize;
import freshsplice.core.render.Aid;
import freshsplice.core.stage.Stage;
import freshsplice.server.http.files.Attachment;
import freshsplice.server.renders.ViewPictures;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Pictures of what windows show. */
@RestController
class ViewController {
    private static final String NEEDED = "is needed";
    private static final String SIDES = "of a picture is 16 to " + PictureSize.LARGEST + " pixels";
    private static final int MATRIX = Stage.PLACE;

    /**
     * @param view       world to camera, columns first
     * @param projection camera to picture
     * @param places     thing to world of every thing of the set, in its order
     * @param flat       metres to the eye of a flat view; nothing or 0 for one with depth
     * @param focus      metres to what is in focus; nothing or 0 where all is sharp
     * @param farCircle  diameter of a point without end away, as a share of the picture's width
     */
    record PresentView(@NotNull(message = NEEDED) @Size(min = MATRIX, max = MATRIX, message = "is a matrix of 16 values") float[] view,
                       @NotNull(message = NEEDED) @Size(min = MATRIX, max = MATRIX, message = "is a matrix of 16 values") float[] projection,
                       @NotNull(message = NEEDED) float[] places, @Min(0) float flat, @Min(0) float focus, @Min(0) float farCircle,
                       @Min(value = 16, message = SIDES) @Max(value = PictureSize.LARGEST, message = SIDES) int width,
                       @Min(value = 16, message = SIDES) @Max(value = PictureSize.LARGEST, message = SIDES) int height) {
    }

    /** An aid that lies on the picture. */
    record AidView(Aid aid, List<Aid.Stroke> strokes) {
    }

    private final ViewPictures pictures;

    ViewController(ViewPictures pictures) {
        this.pictures = pictures;
    }

    /** What aids lie on pictures: windows draw them where renders do. */
    @GetMapping("/api/aids")
    List<AidView> aids() {
        return Stream.of(Aid.values()).filter(a -> !a.isInSet()).map(a -> new AidView(a, a.strokes())).toList();
    }

    /** The present picture of a view of a scene's set, as PNG. */
    @PostMapping("/api/scenes/{id}/picture")
    ResponseEntity<byte[]> viewPicture(@PathVariable long id, @Valid @RequestBody PresentView of) throws IOException {
        return Attachment.of("picture.png", pictures.of(id, new ViewPictures.View(of.view(), of.projection(), of.places(), of.flat(), of.focus(), of.farCircle()), of.width(),
                of.height()).encoded("png"));
    }
}
