package freshsplice.exchange.compound;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** A storage with what is in it, or a stream with its bytes. */
public final class CompoundEntry {
    /** From here on a table of names is faster than looking through. */
    private static final int MANY = 12;

    private final CompoundFile file;
    private final CompoundEntry parent;
    private final boolean storage;
    private final int at;
    private final int firstChild;
    private final int start;
    private final long size;
    private List<CompoundEntry> children;
    private Map<String, CompoundEntry> byName;

    /**
     * @param at         where its directory entry stands in the file
     * @param firstChild the topmost entry of what is in it; −1 for nothing
     */
    CompoundEntry(CompoundFile file, CompoundEntry parent, boolean storage, int at, int firstChild, int start, long size) {
        this.file = file;
        this.parent = parent;
        this.storage = storage;
        this.at = at;
        this.firstChild = firstChild;
        this.start = start;
        this.size = size;
    }

    private CompoundEntry child(String childName) {
        if (children == null) {
            children = file.entriesOf(this, firstChild);
            if (children.size() > MANY) {
                byName = new HashMap<>();
                children.forEach(c -> byName.putIfAbsent(c.name(), c));
            }
        }
        if (byName != null) {
            return byName.get(childName);
        }
        for (CompoundEntry child : children) {
            if (file.isNamed(child.at, childName)) {
                return child;
            }
        }
        return null;
    }

    public String name() {
        return file.name(at);
    }

    /** The storage that it is in; null for the root. */
    public CompoundEntry parent() {
        return parent;
    }

    /** Identification of a storage's kind, as 0d010101-0101-2f00-060e-2b3402060101. */
    public String classId() {
        return file.identification(at);
    }

    /** A storage in this one; null where there is none of that name. */
    public CompoundEntry storage(String childName) {
        CompoundEntry child = child(childName);
        return child != null && child.storage ? child : null;
    }

    /**
     * The bytes of a stream in this storage; null where there is none of that name.
     *
     * @throws CompoundDamage if the stream is longer than {@code most} bytes, or its chain of sectors is broken
     */
    public byte[] stream(String childName, int most) {
        CompoundEntry child = child(childName);
        if (child == null || child.storage) {
            return null;
        }
        if (child.size < 0 || child.size > most) {
            throw new CompoundDamage("the stream " + childName + " says " + child.size + " bytes");
        }
        return file.bytes(child.start, (int) child.size);
    }
}
