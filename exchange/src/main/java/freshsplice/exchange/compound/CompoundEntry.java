package freshsplice.exchange.compound;

import java.util.LinkedHashMap;
import java.util.Map;

/** A storage with what is in it, or a stream with its bytes. */
public final class CompoundEntry {
    private final CompoundFile file;
    private final String name;
    private final CompoundEntry parent;
    private final boolean storage;
    private final String classId;
    private final int start;
    private final long size;
    private final Map<String, CompoundEntry> children = new LinkedHashMap<>();

    CompoundEntry(CompoundFile file, String name, CompoundEntry parent, boolean storage, String classId, int start,
                  long size) {
        this.file = file;
        this.name = name;
        this.parent = parent;
        this.storage = storage;
        this.classId = classId;
        this.start = start;
        this.size = size;
    }

    void add(CompoundEntry child) {
        children.putIfAbsent(child.name, child);
    }

    public String name() {
        return name;
    }

    /** The storage that it is in; null for the root. */
    public CompoundEntry parent() {
        return parent;
    }

    /** Identification of a storage's kind, as 0d010101-0101-2f00-060e-2b3402060101. */
    public String classId() {
        return classId;
    }

    /** A storage in this one; null where there is none of that name. */
    public CompoundEntry storage(String childName) {
        CompoundEntry child = children.get(childName);
        return child != null && child.storage ? child : null;
    }

    /**
     * The bytes of a stream in this storage; null where there is none of that name.
     *
     * @throws CompoundDamage if the stream is longer than {@code most} bytes, or its chain of sectors is broken
     */
    public byte[] stream(String childName, int most) {
        CompoundEntry child = children.get(childName);
        if (child == null || child.storage) {
            return null;
        }
        if (child.size < 0 || child.size > most) {
            throw new CompoundDamage("the stream " + childName + " says " + child.size + " bytes");
        }
        return file.bytes(child.start, (int) child.size);
    }
}
