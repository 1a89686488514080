package freshsplice.exchange.aaf;

import java.util.Set;

/** Identifications of definitions, AAF Object Specification 1.1. */
final class AafIds {
    static final String PICTURE = "01030202-0100-0000-060e-2b3404010101";
    static final String SOUND = "01030202-0200-0000-060e-2b3404010101";
    static final String TIMECODE = "01030201-0100-0000-060e-2b3404010101";
    static final String DESCRIPTIVE = "01030201-1000-0000-060e-2b3404010101";
    /** Picture, also by the identification of files before version 1.1, and with a matte. */
    static final Set<String> PICTURES = Set.of(PICTURE, "6f3c8ce1-6cef-11d2-807d-006008143e6f",
            "05cba732-1daa-11d3-80ad-006008143e6f");
    static final String MATTE = "05cba731-1daa-11d3-80ad-006008143e6f";
    static final Set<String> SOUNDS = Set.of(SOUND, "78e1ebe1-6cef-11d2-807d-006008143e6f");
    static final String DISSOLVE = "0c3bea40-fc05-11d2-8a29-0050040ef7d2";
    static final String WIPE = "0c3bea44-fc05-11d2-8a29-0050040ef7d2";
    static final String SOUND_DISSOLVE = "0c3bea41-fc05-11d2-8a29-0050040ef7d2";
    static final String SPEED_CONTROL = "9d2ea890-0968-11d3-8a38-0050040ef7d2";
    static final String SPEED_RATIO = "72559a80-24d7-11d3-8a50-0050040ef7d2";
    static final String TOP_LEVEL = "0d010102-0101-0700-060e-2b3404010101";
    static final String RATIONAL_TYPE = "03010100-0000-0000-060e-2b3401040101";
    static final String LINEAR = "5b6c85a4-0ede-11d3-80a9-006008143e6f";

    private AafIds() {
    }
}
