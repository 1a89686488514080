package freshsplice.render;

import java.nio.file.Path;

/**
 * A piece of sound in a movie.
 *
 * @param file    what it is cut from
 * @param from    seconds into the file
 * @param seconds how long
 * @param at      seconds into the movie
 */
public record MovieSound(Path file, double from, double seconds, double at) {
}
