package freshsplice.server.rows;

import freshsplice.core.cut.Event;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** An event of a cut. */
@Entity
@OutsideSteps("written once, with its cut")
@DynamicUpdate
@Table(name = "cut_event")
public class CutEventRow extends Row {
    public long trackId;
    public int place;
    public String number;
    @Enumerated(EnumType.STRING)
    public Event.Kind kind;
    public String name;
    public boolean enabled;
    public long recIn;
    public long recOut;
    public String sourceName;
    public String sourceReel;
    public String sourceFile;
    public FrameRate sourceRate;
    public Long sourceStart;
    public Long sourceLength;
    public Rational sourceFrom;
    public Rational sourceTo;
    /** The cut inside; null for all but nested events. */
    public Long nestedId;
    /** Which sound track of its source it plays, from 1; 0 where its file does not say. */
    public int sourceTrack;
    /** Eased between the keys of its speed. */
    public boolean smooth;
    /** What a generator writes into the picture; null where its file tells none. */
    public String words;
    /** What its file says of a generator beside that, and in which format; null for all else. */
    public String keptFormat;
    public String kept;
}
