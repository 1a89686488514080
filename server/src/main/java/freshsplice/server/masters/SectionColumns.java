package freshsplice.server.masters;

import freshsplice.core.master.Passage;
import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRange;
import freshsplice.server.store.Bends;
import freshsplice.server.store.SectionRow;

/** A piece of a master as a row and as the core's type. */
final class SectionColumns {
    private SectionColumns() {
    }

    static Section section(SectionRow row) {
        return new Section(row.id, content(row), FrameRange.of(row.recIn, row.recOut), row.fromPosition, row.speed,
                row.bends.keys(), row.enabled, passage(row.headKind, row.headBefore, row.headAfter, row.headCurve),
                passage(row.tailKind, row.tailBefore, row.tailAfter, row.tailCurve));
    }

    private static Section.Content content(SectionRow row) {
        return switch (row.content) {
            case SHOT -> new Section.Content.OfShot(row.shotId);
            case MASTER -> new Section.Content.OfMaster(row.nestedId);
            case RENDER -> new Section.Content.OfRender(row.renderId);
            case BLACK -> new Section.Content.Black();
            case SLATE -> new Section.Content.Slate(row.words);
        };
    }

    private static Passage passage(Passage.Kind kind, long before, long after, Passage.Curve curve) {
        return kind == null ? null : new Passage(kind, before, after, curve == null ? Passage.Curve.EVEN : curve);
    }

    /** @return the row */
    static SectionRow fill(SectionRow row, Section section) {
        fillContent(row, section.content());
        row.recIn = section.record().in();
        row.recOut = section.record().out();
        row.fromPosition = section.from();
        row.speed = section.speed();
        row.bends = section.isEven() ? Bends.NONE : new Bends(section.bends());
        row.enabled = section.enabled();
        Passage head = section.head();
        Passage tail = section.tail();
        row.headKind = head == null ? null : head.kind();
        row.headBefore = head == null ? 0 : head.before();
        row.headAfter = head == null ? 0 : head.after();
        row.headCurve = head == null ? null : head.curve();
        row.tailKind = tail == null ? null : tail.kind();
        row.tailBefore = tail == null ? 0 : tail.before();
        row.tailAfter = tail == null ? 0 : tail.after();
        row.tailCurve = tail == null ? null : tail.curve();
        return row;
    }

    private static void fillContent(SectionRow row, Section.Content content) {
        row.shotId = content instanceof Section.Content.OfShot shot ? (Long) shot.shotId() : null;
        row.nestedId = content instanceof Section.Content.OfMaster master ? (Long) master.masterId() : null;
        row.renderId = content instanceof Section.Content.OfRender render ? (Long) render.renderId() : null;
        row.words = content instanceof Section.Content.Slate slate ? slate.text() : null;
        row.content = row.shotId != null ? SectionRow.Content.SHOT : row.nestedId != null ? SectionRow.Content.MASTER
                : row.renderId != null ? SectionRow.Content.RENDER
                : row.words != null ? SectionRow.Content.SLATE : SectionRow.Content.BLACK;
    }
}
