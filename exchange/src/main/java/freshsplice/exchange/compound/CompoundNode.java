package freshsplice.exchange.compound;

import java.util.ArrayList;
import java.util.List;

/** A storage or a stream to be written. */
public final class CompoundNode {
    /** Letters that a name may have, [MS-CFB] 2.6.1. */
    private static final int MOST_LETTERS = 31;

    final String name;
    final byte[] data;
    final String classId;
    final List<CompoundNode> children = new ArrayList<>();

    private CompoundNode(String name, byte[] data, String classId) {
        if (name.length() > MOST_LETTERS) {
            throw new IllegalArgumentException("A name has at most " + MOST_LETTERS + " letters: " + name);
        }
        this.name = name;
        this.data = data;
        this.classId = classId;
    }

    /** @param classId as 0d010101-0101-2f00-060e-2b3402060101 */
    public static CompoundNode root(String classId) {
        return new CompoundNode("Root Entry", null, classId);
    }

    public CompoundNode storage(String childName, String childClassId) {
        CompoundNode child = new CompoundNode(childName, null, childClassId);
        children.add(child);
        return child;
    }

    public void stream(String childName, byte[] bytes) {
        children.add(new CompoundNode(childName, bytes, null));
    }

    boolean isStream() {
        return data != null;
    }
}
