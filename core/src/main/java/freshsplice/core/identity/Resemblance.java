package freshsplice.core.identity;

import freshsplice.core.cut.Source;
import freshsplice.core.sources.MediaKind;
import java.util.ArrayList;
import java.util.List;

/**
 * How much two sources' names agree. The weights say in which order names are trusted: a file more than a clip's name, that
 * more than a reel, a name that one side tells as a clip and the other as a file less than either.
 *
 * @param agreement   summed weights of what agrees; 0 for nothing
 * @param contradicts a name that both tell and that differs, with nothing stronger that agrees
 * @param byFile      the files' names agree
 * @param byShortReel nothing but the reels agree, and those as old lists shorten them
 * @param because     what agrees, in words
 */
record Resemblance(double agreement, boolean contradicts, boolean byFile, boolean byShortReel, List<String> because) {
    /** The least that may make two sources one. */
    static final double LEAST = 1.5;
    private static final double FILE = 4;
    private static final double FILE_STEM = 3;
    private static final double CLIP = 3;
    private static final double CLIP_STEM = 2.5;
    private static final double CASE_ONLY = 1.5;
    private static final double CLIP_IS_FILE = 2.5;
    private static final double REEL = 2;
    private static final double REEL_SHORT = 1.5;
    private static final double REEL_IS_NAME = 1.5;
    private static final double TIMECODE = 0.5;

    /** @param foldersMoved files of the same name in another folder are the same files */
    static Resemblance of(Source older, Source newer, boolean foldersMoved) {
        Builder found = new Builder(SourceNames.of(older), SourceNames.of(newer));
        found.file(foldersMoved);
        found.clip();
        found.acrossKinds();
        found.reel();
        found.timecode(older, newer);
        return found.built();
    }

    private static final class Builder {
        private final SourceNames a;
        private final SourceNames b;
        private final List<String> because = new ArrayList<>();
        private double agreement;
        private boolean fileDiffers;
        private boolean clipDiffers;
        private boolean clipAgrees;
        private boolean reelDiffers;
        private boolean byFile;
        private boolean byShortReel;

        Builder(SourceNames a, SourceNames b) {
            this.a = a;
            this.b = b;
        }

        private void agree(double weight, String why) {
            agreement += weight;
            because.add(why);
        }

        void file(boolean foldersMoved) {
            if (a.file().isEmpty() || b.file().isEmpty()) {
                return;
            }
            boolean sameKind = MediaKind.of(a.file()) == MediaKind.of(b.file());
            if (a.file().equals(b.file()) && (foldersMoved || a.folder().equals(b.folder()))) {
                byFile = true;
                agree(FILE, "the file's name");
            } else if (a.fileStem().equals(b.fileStem()) && !a.file().equals(b.file())) {
                byFile = true;
                agree(FILE_STEM, "the file's name without its ending");
            } else {
                // one clip's picture may lie in files of two kinds, each with a name of its own
                fileDiffers = sameKind && ending(a.file()).equals(ending(b.file()));
            }
        }

        private static String ending(String file) {
            return file.substring(file.lastIndexOf('.') + 1).toLowerCase(java.util.Locale.ROOT);
        }

        void clip() {
            if (a.clip().isEmpty() || b.clip().isEmpty()) {
                return;
            }
            clipAgrees = true;
            if (a.clip().equals(b.clip())) {
                agree(CLIP, "the clip's name");
            } else if (a.clipStem().equals(b.clipStem())) {
                agree(CLIP_STEM, "the clip's name without its ending");
            } else if (a.clipStem().equalsIgnoreCase(b.clipStem())) {
                agree(CASE_ONLY, "the clip's name but for capitals");
            } else {
                clipAgrees = false;
                clipDiffers = true;
            }
        }

        void acrossKinds() {
            boolean crossed = same(a.clipStem(), b.fileStem()) || same(a.fileStem(), b.clipStem());
            if (crossed && !byFile && !clipAgrees) {
                clipDiffers = false;
                agree(CLIP_IS_FILE, "the name of a clip and of a file");
            }
        }

        void reel() {
            if (!a.reel().isEmpty() && !b.reel().isEmpty()) {
                boolean same = SourceNames.areOneShortened(a.reel(), b.reel());
                if (a.reel().equals(b.reel())) {
                    agree(REEL, "the reel");
                } else if (same || a.reel().equalsIgnoreCase(b.reel())) {
                    byShortReel = true;
                    agree(REEL_SHORT, "the reel, shortened");
                } else if (!reelIsName()) {
                    // of two reels that a list cut to eight letters only the beginning is left
                    reelDiffers = !(SourceNames.isShort(a.reel()) || SourceNames.isShort(b.reel()));
                }
            } else {
                reelIsName();
            }
        }

        /** Lists often name the reel after the clip or its file. */
        private boolean reelIsName() {
            boolean is = isNameOf(a.reel(), b) || isNameOf(b.reel(), a);
            if (is && agreement == 0) {
                agree(REEL_IS_NAME, "the reel and the clip's or file's name");
            }
            return is;
        }

        private static boolean isNameOf(String reel, SourceNames names) {
            if (reel.isEmpty()) {
                return false;
            }
            return same(reel, names.clipStem()) || same(reel, names.fileStem()) || same(reel, names.clip())
                    || SourceNames.isReduced(reel) && (reel.equals(SourceNames.shortened(names.clipStem()))
                    || reel.equals(SourceNames.shortened(names.fileStem())));
        }

        void timecode(Source older, Source newer) {
            if (agreement > 0 && older.start() != null && older.start().equals(newer.start())) {
                agree(TIMECODE, "where its timecode begins");
            }
            if (agreement > 0 && older.length() != null && older.length().equals(newer.length())) {
                agree(TIMECODE, "its length");
            }
        }

        private static boolean same(String a, String b) {
            return !a.isEmpty() && a.equalsIgnoreCase(b);
        }

        Resemblance built() {
            boolean contradicts = !byFile && (fileDiffers || reelDiffers || clipDiffers);
            return new Resemblance(agreement, contradicts, byFile, byShortReel && because.size() == 1, because);
        }
    }
}
