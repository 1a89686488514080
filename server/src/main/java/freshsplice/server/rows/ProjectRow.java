package freshsplice.server.rows;

import freshsplice.core.camera.Kit;
import freshsplice.core.time.FrameRate;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.DynamicUpdate;

/** A production and its rules. */
@Entity
@DynamicUpdate
@Table(name = "project")
public class ProjectRow extends AliveRow {
    public String name;
    public FrameRate rate;
    public boolean dropFrame;
    public String prefix;
    public int numberStep;
    public int digits;
    public int firstFrame;
    public int handles;
    /** How codes are found in clip names; null to number all shots. */
    public String codePattern;
    /** How scenes are found in clip names, written as that is; null for one scene. */
    public String scenePattern;
    public int pictureWidth;
    public int pictureHeight;
    public double backWidth;
    public double backHeight;
    /** Lenses in mm, and T-stops, that the production works with, parted by blanks. */
    public String lensKit = Kit.LENSES.text();
    public String stopKit = Kit.STOPS.text();
    /** When a cut was first handed back; from then on shots keep their numbers. */
    public Instant handedBackAt;
    /** Number of the last step, undo or redo: open windows know by it what they have missed. */
    @OutsideSteps("it counts edits, those that undo too")
    public long seq;
}
