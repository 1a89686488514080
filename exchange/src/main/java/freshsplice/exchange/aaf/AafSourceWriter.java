package freshsplice.exchange.aaf;

import freshsplice.core.cut.Source;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.exchange.format.FileAddress;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Writes a source as a master mob over a file mob, and over a tape mob where it has a reel or a timecode. */
final class AafSourceWriter {
    private static final long DAY_SECONDS = 86_400;

    /** @param rate edit rate of the master mob's slot */
    record MasterMob(byte[] mob, FrameRate rate) {
    }

    private record Key(Source source, boolean picture) {
    }

    private final AafDocument document;
    private final Map<Key, MasterMob> written = new HashMap<>();

    AafSourceWriter(AafDocument document) {
        this.document = document;
    }

    /** The master mob of a source, written the first time. */
    MasterMob of(Source source, FrameRate cutRate, boolean picture) {
        return written.computeIfAbsent(new Key(source, picture), key -> write(source, cutRate, picture));
    }

    private MasterMob write(Source source, FrameRate cutRate, boolean picture) {
        FrameRate rate = source.rate() == null ? cutRate : source.rate();
        String kind = picture ? AafIds.PICTURE : AafIds.SOUND;
        String what = source + " " + picture;
        long length = source.length() == null ? 0 : source.length();
        long start = source.start() == null ? 0 : source.start();
        byte[] tape = source.reel() != null || start != 0 ? tape(source, rate, kind, what) : AafDocument.NO_MOB;
        // readers clip what is shown to the slot: one whose length is not known lasts as long as its tape
        long slotLength = source.length() == null ? rate.fps().times(DAY_SECONDS).floor() : length;
        AafNode fileClip = AafDocument.clip(kind, slotLength, tape == AafDocument.NO_MOB ? 0 : start, tape,
                tape == AafDocument.NO_MOB ? 0 : 1);
        byte[] fileId = AafDocument.mobId("file " + what);
        document.mob(AafClass.SOURCE_MOB, fileId, source.label(), List.of(AafDocument.slot(1, "", rate.fps(), fileClip)))
                .object(AafPid.ESSENCE_DESCRIPTION, "EssenceDescription", descriptor(source, rate, picture, length));
        byte[] master = AafDocument.mobId("master " + what);
        document.mob(AafClass.MASTER_MOB, master, source.label(), List.of(AafDocument.slot(1, "", rate.fps(),
                AafDocument.clip(kind, slotLength, 0, fileId, 1))));
        return new MasterMob(master, rate);
    }

    private static AafNode descriptor(Source source, FrameRate rate, boolean picture, long length) {
        AafNode node = new AafNode(picture ? AafClass.CDCI_DESCRIPTOR : AafClass.PCM_DESCRIPTOR);
        if (source.file() != null) {
            node.list(AafPid.LOCATORS, "Locator", List.of(new AafNode(AafClass.NETWORK_LOCATOR)
                    .text(AafPid.URL, FileAddress.encoded(source.file()))));
        }
        node.rational(AafPid.SAMPLE_RATE, rate.fps()).int64(AafPid.MEDIA_LENGTH, length);
        if (picture) {
            return node.int32(0x3202, 720).int32(0x3203, 1280).int8(0x320C, 0)
                    .raw(0x320D, new byte[] {42, 0, 0, 0, 0, 0, 0, 0}).rational(0x320E, Rational.of(16, 9))
                    .int32(0x3301, 8).int32(0x3302, 2);
        }
        return node.int32(0x3D07, 1).int32(0x3D01, 16).rational(0x3D03, rate.fps()).int16(0x3D0A, 2)
                .int32(0x3D09, 2 * Math.max(1, Math.round(rate.fps().toDouble())));
    }

    /** A tape whose timecode begins at 0, so that positions on it are timecode frames. */
    private byte[] tape(Source source, FrameRate rate, String kind, String what) {
        byte[] id = AafDocument.mobId("tape " + what);
        long day = rate.fps().times(DAY_SECONDS).floor();
        int base = Math.min(Short.MAX_VALUE, rate.timecodeBase());
        List<AafNode> slots = new ArrayList<>();
        slots.add(AafDocument.slot(1, "", rate.fps(), AafDocument.clip(kind, day, 0, AafDocument.NO_MOB, 0)));
        slots.add(AafDocument.slot(2, "", rate.fps(), AafDocument.timecode(0, base, false, day)));
        document.mob(AafClass.SOURCE_MOB, id, source.reel() == null ? "" : source.reel(), slots)
                .object(AafPid.ESSENCE_DESCRIPTION, "EssenceDescription", new AafNode(AafClass.TAPE_DESCRIPTOR));
        return id;
    }
}
