package freshsplice.exchange.aaf;

import java.util.HashMap;
import java.util.Map;

/** Classes of the Object Specification that a cut is made of, by the number in their identification. */
enum AafClass {
    EDGE_CODE("0400"), ESSENCE_GROUP("0500"), EVENT("0600"), GPI_TRIGGER("0700"), COMMENT_MARKER("0800"),
    FILLER("0900"), OPERATION_GROUP("0a00"), NESTED_SCOPE("0b00"), PULLDOWN("0c00"), SCOPE_REFERENCE("0d00"),
    SELECTOR("0e00"), SEQUENCE("0f00"), SOURCE_CLIP("1100"), TIMECODE("1400"), TRANSITION("1700"),
    CONTENT_STORAGE("1800"), CONTROL_POINT("1900"), DATA_DEFINITION("1b00"), OPERATION_DEFINITION("1c00"),
    PARAMETER_DEFINITION("1d00"), CONTAINER_DEFINITION("2000"), DICTIONARY("2200"), FILE_DESCRIPTOR("2500"),
    CDCI_DESCRIPTOR("2800"), TAPE_DESCRIPTOR("2e00"), HEADER("2f00"), IDENTIFICATION("3000"),
    NETWORK_LOCATOR("3200"), TEXT_LOCATOR("3300"), COMPOSITION_MOB("3500"), MASTER_MOB("3600"), SOURCE_MOB("3700"),
    EVENT_MOB_SLOT("3900"), STATIC_MOB_SLOT("3a00"), TIMELINE_MOB_SLOT("3b00"), CONSTANT_VALUE("3d00"),
    VARYING_VALUE("3e00"), TAGGED_VALUE("3f00"), DESCRIPTIVE_MARKER("4100"), PCM_DESCRIPTOR("4800"),
    IMPORT_DESCRIPTOR("4a00"), UNKNOWN("");

    private static final String PREFIX = "0d010101-0101-";
    private static final String SUFFIX = "-060e-2b3402060101";
    private static final Map<String, AafClass> BY_ID = new HashMap<>();

    static {
        for (AafClass c : values()) {
            BY_ID.put(c.id(), c);
        }
    }

    private final String number;

    AafClass(String number) {
        this.number = number;
    }

    /** Its identification, as 0d010101-0101-2f00-060e-2b3402060101. */
    String id() {
        return PREFIX + number + SUFFIX;
    }

    static AafClass of(String id) {
        return BY_ID.getOrDefault(id, UNKNOWN);
    }
}
