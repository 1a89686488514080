package freshsplice.core.changes;

import freshsplice.core.time.FrameRange;

/**
 * One difference.
 *
 * @param kind      the strongest of all that apply
 * @param oldIndex  the older side's clip, −1 where there is none
 * @param newIndex  the newer side's clip, −1 where there is none
 * @param name      for people
 * @param oldRecord where it was, null where it was not
 * @param newRecord where it is, null where it is not
 * @param head      record frames gained (+) or lost (−) at its head
 * @param tail      the same at its tail
 * @param slip      source frames by which what is seen moved while the length stayed
 * @param shift     record frames by which its beginning moved on the clock
 * @param needs     what it asks of its shot
 * @param because   index of the change that pushed it along; −1 where none did
 */
public record Change(ChangeKind kind, int oldIndex, int newIndex, String name, FrameRange oldRecord,
                     FrameRange newRecord, long head, long tail, long slip, long shift, Impact needs, int because) {
    Change because(int index) {
        return new Change(kind, oldIndex, newIndex, name, oldRecord, newRecord, head, tail, slip, shift, needs, index);
    }
}
