package freshsplice.render;

import freshsplice.core.delivery.PicturePlan;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.function.LongPredicate;

/**
 * A movie that is to be drawn, with all that it is drawn from.
 *
 * @param plan   what its frames show
 * @param width  pixels
 * @param height pixels
 * @param burnIn whether what the plan says of each frame is written into it
 * @param blur   whether what is out of focus is blurred
 * @param movies files of rendered movies that it shows, by the render's id
 * @param sound  what is heard
 */
public record FilmedMovie(PicturePlan plan, int width, int height, boolean burnIn, boolean blur, Map<Long, Path> movies,
                          List<MovieSound> sound) {
    /**
     * Draws all frames into a file.
     *
     * @param goOn asked with the number of frames done before each; false stops
     * @return whether it was finished
     */
    public boolean draw(StagePainter painter, Path file, LongPredicate goOn) throws IOException {
        BurnIn letters = burnIn ? new BurnIn(width, height) : null;
        byte[] picture = new byte[width * height * 3];
        try (MovieWriter movie = new MovieWriter(file, width, height, plan.rate(), plan.startLabel(), sound, plan.frames());
             PictureMaker maker = new PictureMaker(painter, width, height, blur, plan.rate(), movies)) {
            for (long k = 0; k < plan.frames(); k++) {
                if (!goOn.test(k)) {
                    return false;
                }
                PicturePlan.Picture wanted = plan.at(k);
                maker.draw(wanted, picture);
                if (letters != null) {
                    letters.write(picture, wanted.left(), wanted.right());
                }
                movie.frame(picture);
            }
            movie.finish();
        }
        return true;
    }
}
