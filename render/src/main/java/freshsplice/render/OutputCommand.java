package freshsplice.render;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.render.Output;
import freshsplice.core.render.OutputKind;
import freshsplice.core.render.RenderJob;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;

/** What ffmpeg is told to write files from frames that come on its input. */
record OutputCommand(List<String> words) {
    /** Bits a second of a movie's sound. */
    private static final int SOUND_BITS = 160_000;
    /** What a container needs beside pictures and sound, as a share (common practice: some percent). */
    private static final double ROOM = 0.96;
    private static final int LEAST_BITS = 60_000;
    /** This encoder leaves out what colours mean; they are written into its frames afterwards. */
    private static final String PRORES_COLOURS = "prores_metadata=color_primaries=bt709:color_trc=bt709:colorspace=bt709";

    /** The commands for a job, one after another: two where a movie's size has a limit. @param first a frame, as all are; @param share of the bits that a limit allows; @param part folder for what it needs besides; @throws IOException if ffmpeg cannot be asked what it can */
    static List<OutputCommand> passes(OutputOrder order, Pixels first, double share, Path part) throws IOException {
        List<OutputCommand> passes = new ArrayList<>();
        Output limited = order.outputs().stream().filter(o -> o.mostMb() != null).findFirst().orElse(null);
        if (limited != null) {
            List<String> look = input(order, first);
            look.addAll(List.of("-vf", Chain.of(limited, first, order.job()), "-an"));
            look.addAll(h264(limited, order, 1, share));
            look.addAll(List.of("-f", "null", "-"));
            passes.add(new OutputCommand(look));
        }
        passes.add(new OutputCommand(all(order, first, share, part)));
        return passes;
    }

    private static List<String> input(OutputOrder order, Pixels first) {
        String format = (first.alpha() ? first.deep() ? "rgba64be" : "rgba" : first.deep() ? "rgb48be" : "rgb24");
        return new ArrayList<>(List.of("ffmpeg", "-hide_banner", "-loglevel", "error", "-nostdin", "-y", "-f", "rawvideo", "-pix_fmt",
                format, "-video_size", first.width() + "x" + first.height(), "-framerate", order.job().drawnRate().toString(), "-i", "-"));
    }

    private static List<String> all(OutputOrder order, Pixels first, double share, Path part) throws IOException {
        List<String> words = input(order, first);
        List<Output> outputs = order.outputs();
        int movies = (int) outputs.stream().filter(o -> o.kind().isMovie()).count();
        SoundFilter sound = new SoundFilter(movies == 0 ? List.of() : order.sound(), order.job().seconds(), 1);
        words.addAll(sound.inputs());
        StringBuilder filters = new StringBuilder("[0:v]split=" + outputs.size());
        for (int i = 0; i < outputs.size(); i++) {
            filters.append("[in").append(i).append(']');
        }
        for (int i = 0; i < outputs.size(); i++) {
            filters.append(";[in").append(i).append(']').append(Chain.of(outputs.get(i), first, order.job())).append("[v").append(i).append(']');
        }
        filters.append(sound.filters(movies));
        words.addAll(List.of("-filter_complex_script", SoundParts.script(filters.toString(), part.resolve("all.filter")).toString()));
        int movie = 0;
        for (int i = 0; i < outputs.size(); i++) {
            Output output = outputs.get(i);
            words.addAll(List.of("-map", "[v" + i + "]"));
            if (output.kind().isMovie() && sound.isHeard()) {
                words.addAll(List.of("-map", "[a" + movie + "]"));
            }
            movie += output.kind().isMovie() ? 1 : 0;
            words.addAll(file(output, order, sound.isHeard(), share));
        }
        return words;
    }

    /** Name of a movie while it is being written. */
    static String movieName(OutputKind kind) {
        return kind.name().toLowerCase(Locale.ROOT) + "." + kind.ending();
    }

    /** Place of a picture while it is being written. */
    static String pictureName(OutputKind kind, long frame) {
        return kind.ending() + "/" + String.format("%07d", frame) + "." + kind.ending();
    }

    private static List<String> file(Output output, OutputOrder order, boolean heard, double share) {
        return switch (output.kind()) {
            case H264 -> movie(output, order, h264(output, order, output.mostMb() == null ? 0 : 2, share), heard ? List.of("-c:a", "aac", "-b:a",
                    String.valueOf(SOUND_BITS)) : List.of(), "mp4");
            case PRORES -> movie(output, order, List.of("-c:v", "prores_ks", "-profile:v", output.alpha() ? "4" : "3", "-vendor", "apl0", "-bsf:v", PRORES_COLOURS),
                    heard ? List.of("-c:a", "pcm_s16le") : List.of(), "mov");
            case VC3 -> movie(output, order, List.of("-c:v", "dnxhd", "-profile:v", "dnxhr_hq"), heard ? List.of("-c:a", "pcm_s16le") : List.of(),
                    "mov");
            case PNG8, PNG16 -> run(output, List.of("-c:v", "png", "-compression_level", "3", "-pred", "mixed"));
            case JPEG -> run(output, List.of("-c:v", "mjpeg", "-q:v", String.valueOf(2 + Math.round((100 - output.quality()) / 8.0))));
            case TIFF -> run(output, List.of("-c:v", "tiff", "-compression_algo", "deflate"));
            case EXR -> run(output, List.of("-c:v", "exr", "-format", "half", "-compression", "zip16"));
        };
    }

    private static List<String> movie(Output output, OutputOrder order, List<String> codec, List<String> sound, String container) {
        List<String> words = new ArrayList<>(codec);
        words.addAll(sound);
        words.addAll(List.of("-color_primaries", "bt709", "-color_trc", "bt709", "-colorspace", "bt709", "-color_range", "tv"));
        if (hasTimecode(order.job().rate())) {
            words.addAll(List.of("-timecode", order.job().timecode()));
        }
        words.addAll(List.of("-movflags", "+faststart", "-f", container, movieName(output.kind())));
        return words;
    }

    private static List<String> run(Output output, List<String> codec) {
        List<String> words = new ArrayList<>(codec);
        words.addAll(List.of("-start_number", "0", "-f", "image2", output.kind().ending() + "/%07d." + output.kind().ending()));
        return words;
    }

    /** @param pass 0 by quality, 1 or 2 by size */
    private static List<String> h264(Output output, OutputOrder order, int pass, double share) {
        List<String> words = new ArrayList<>(List.of("-c:v", "libx264", "-preset", order.job().quick() ? "ultrafast" : "veryfast"));
        words.addAll(pass == 0 ? List.of("-crf", String.valueOf(crf(output.quality())))
                : List.of("-b:v", String.valueOf(Math.round(bits(output, order) * share)), "-pass", String.valueOf(pass), "-passlogfile", "passes"));
        return words;
    }

    /** The encoder's own measure, lower for better: 18 at a quality of 80, which is about what an eye cannot tell (common practice). */
    static int crf(int quality) {
        return (int) Math.round(50.4 - 0.405 * quality);
    }

    /** Bits a second that keep a movie below its limit. */
    private static long bits(Output output, OutputOrder order) {
        Rational seconds = order.job().seconds();
        double all = output.mostMb() * 8e6 * ROOM / seconds.toDouble();
        long picture = (long) (all - (order.sound().isEmpty() ? 0 : SOUND_BITS));
        if (picture < LEAST_BITS) {
            throw new Refusal(String.format(Locale.ROOT, "%.0f s of movie do not fit into %d MB: allow more, or divide it",
                    seconds.toDouble(), output.mostMb()));
        }
        return picture;
    }

    /** Whether a file can carry a timecode at a rate: up to 60 frames a second. */
    private static boolean hasTimecode(FrameRate rate) {
        return rate.timecodeBase() <= 60;
    }

    /** How a picture becomes what a file keeps. */
    private static final class Chain {
        static String of(Output output, Pixels first, RenderJob job) throws IOException {
            List<String> steps = new ArrayList<>();
            if (output.kind().isMovie() && job.held() > 1) {
                Collections.addAll(steps, "fps=" + job.rate(), "trim=end_frame=" + job.played());
            }
            boolean alpha = output.alpha() && first.alpha();
            if (first.alpha() && !alpha) {
                // over black, as what is left out shows where nothing says that it is
                steps.add("premultiply=inplace=1");
            }
            switch (output.kind()) {
                // pictures alone may have odd sides, and have a movie to look at too
                case H264 -> Collections.addAll(steps, "crop=trunc(iw/2)*2:trunc(ih/2)*2:0:0", "scale=out_color_matrix=bt709:out_range=tv", "format=yuv420p");
                case PRORES -> Collections.addAll(steps, "scale=out_color_matrix=bt709:out_range=tv",
                        "format=" + (alpha ? "yuva444p10le" : "yuv422p10le"));
                case VC3 -> Collections.addAll(steps, "scale=out_color_matrix=bt709:out_range=tv", "format=yuv422p");
                case PNG8, TIFF -> steps.add("format=" + (alpha ? "rgba" : "rgb24"));
                case PNG16 -> steps.add("format=" + (alpha ? "rgba64be" : "rgb48be"));
                case JPEG -> Collections.addAll(steps, "scale=out_color_matrix=bt601:out_range=pc", "format=yuvj444p");
                case EXR -> {
                    Collections.addAll(steps, "format=" + (alpha ? "gbrap16le" : "gbrp16le"), LinearAlpha.LINEAR, "format="
                            + (alpha ? "gbrapf32le" : "gbrpf32le"));
                    if (alpha) {
                        steps.add(LinearAlpha.steps());
                    }
                }
                default -> throw new IllegalStateException("No way to write " + output.kind());
            }
            return String.join(",", steps);
        }
    }
}
