package freshsplice.server.cuts;

import freshsplice.core.camera.Camera;
import freshsplice.core.changes.Turnover;
import freshsplice.core.cut.Cut;
import freshsplice.core.master.Master;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ShotRow;
import java.util.Map;

/**
 * A master against a newer cut.
 *
 * @param shots    every shot of the project by its id; those that are made while changes are carried over join them
 * @param cameras  by id
 * @param turnover what the cut changes
 */
public record ComparedMaster(MasterRow row, Master master, Map<Long, ShotRow> shots, Map<Long, Camera> cameras, CutRow cutRow,
                             Cut cut, Turnover turnover) {
}
