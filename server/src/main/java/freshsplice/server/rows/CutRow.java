package freshsplice.server.rows;

import freshsplice.core.rates.RateWay;
import freshsplice.core.time.FrameRate;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.DynamicUpdate;

/** A version of an edit as it came. */
@Entity
@DynamicUpdate
@Table(name = "cut")
public class CutRow extends Row implements Undoable {
    public long projectId;
    public int version;
    public String name;
    public String fileName;
    public String stored;
    public String sha256;
    public FrameRate rate;
    /** Why the rate was guessed; null where somebody gave it. */
    public String rateReason;
    /** The rate that somebody gave, or the movies that came with it; null where the file or the project says it. */
    public FrameRate givenRate;
    public boolean dropFrame;
    public long recIn;
    public long recOut;
    @Enumerated(EnumType.STRING)
    public State state;
    public Instant receivedAt;
    /** The file's own rate where the cut was made to meet another. */
    public FrameRate fileRate;
    /** How it was made to meet the project's rate; null where it had it. */
    @Enumerated(EnumType.STRING)
    public RateWay rateWay;
    /** How its clips of another rate are shown; null as the file has it. */
    @Enumerated(EnumType.STRING)
    public RateWay clipWay;
    /** Which of the file's sequences this is. */
    public int chosen;
    /** Place of the one picture track that shots are made of; null for what is seen of all. */
    public Integer pickedTrack;

    /** How far it has come. */
    public enum State { LOOKED_AT, RECEIVED }
}
