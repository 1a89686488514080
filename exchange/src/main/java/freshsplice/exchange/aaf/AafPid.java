package freshsplice.exchange.aaf;

/** Identifications of properties, AAF Object Specification 1.1. */
final class AafPid {
    static final int DATA_DEFINITION = 0x0201;
    static final int LENGTH = 0x0202;
    static final int COMPONENT_COMMENTS = 0x0204;
    static final int COMPONENT_ATTRIBUTES = 0x0205;
    static final int CHOICES = 0x0501;
    static final int POSITION = 0x0601;
    static final int COMMENT = 0x0602;
    static final int OPERATION = 0x0B01;
    static final int INPUT_SEGMENTS = 0x0B02;
    static final int PARAMETERS = 0x0B03;
    static final int SCOPE_SLOTS = 0x0C01;
    static final int PULLDOWN_INPUT = 0x0D01;
    static final int RELATIVE_SCOPE = 0x0E01;
    static final int RELATIVE_SLOT = 0x0E02;
    static final int SELECTED = 0x0F01;
    static final int ALTERNATES = 0x0F02;
    static final int COMPONENTS = 0x1001;
    static final int SOURCE_ID = 0x1101;
    static final int SOURCE_SLOT = 0x1102;
    static final int START_TIME = 0x1201;
    static final int FADE_IN = 0x1202;
    static final int FADE_OUT = 0x1204;
    static final int TIMECODE_START = 0x1501;
    static final int TIMECODE_FPS = 0x1502;
    static final int TIMECODE_DROP = 0x1503;
    static final int TRANSITION_GROUP = 0x1801;
    static final int CUT_POINT = 0x1802;
    static final int MOBS = 0x1901;
    static final int POINT_VALUE = 0x1A02;
    static final int POINT_TIME = 0x1A03;
    static final int EDIT_HINT = 0x1A04;
    static final int DEFINITION_ID = 0x1B01;
    static final int DEFINITION_NAME = 0x1B02;
    static final int DEFINITION_TEXT = 0x1B03;
    static final int OPERATION_DATA = 0x1E01;
    static final int IS_TIME_WARP = 0x1E02;
    static final int OPERATION_INPUTS = 0x1E07;
    static final int PARAMETER_TYPE = 0x1F01;
    static final int OPERATIONS = 0x2603;
    static final int PARAMETER_DEFINITIONS = 0x2604;
    static final int DATA_DEFINITIONS = 0x2605;
    static final int LOCATORS = 0x2F01;
    static final int SAMPLE_RATE = 0x3001;
    static final int MEDIA_LENGTH = 0x3002;
    static final int HEADER_BYTE_ORDER = 0x3B01;
    static final int HEADER_MODIFIED = 0x3B02;
    static final int HEADER_CONTENT = 0x3B03;
    static final int HEADER_DICTIONARY = 0x3B04;
    static final int HEADER_VERSION = 0x3B05;
    static final int HEADER_IDENTIFICATIONS = 0x3B06;
    static final int OBJECT_MODEL = 0x3B07;
    static final int OPERATIONAL_PATTERN = 0x3B09;
    static final int URL = 0x4001;
    static final int LOCATOR_NAME = 0x4101;
    static final int MOB_ID = 0x4401;
    static final int MOB_NAME = 0x4402;
    static final int SLOTS = 0x4403;
    static final int MOB_MODIFIED = 0x4404;
    static final int MOB_CREATED = 0x4405;
    static final int MOB_COMMENTS = 0x4406;
    static final int USAGE = 0x4408;
    static final int ESSENCE_DESCRIPTION = 0x4701;
    static final int SLOT_ID = 0x4801;
    static final int SLOT_NAME = 0x4802;
    static final int SEGMENT = 0x4803;
    static final int PHYSICAL_TRACK = 0x4804;
    static final int EVENT_EDIT_RATE = 0x4901;
    static final int EDIT_RATE = 0x4B01;
    static final int ORIGIN = 0x4B02;
    static final int PARAMETER_DEFINITION = 0x4C01;
    static final int CONSTANT = 0x4D01;
    static final int INTERPOLATION = 0x4E01;
    static final int POINT_LIST = 0x4E02;
    static final int TAG_NAME = 0x5001;
    static final int TAG_VALUE = 0x5003;
    /** The dictionary that the root holds beside the header. */
    static final int ROOT_META_DICTIONARY = 0x0001;
    static final int ROOT_HEADER = 0x0002;

    private AafPid() {
    }
}
