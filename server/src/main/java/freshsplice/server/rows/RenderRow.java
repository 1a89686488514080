package freshsplice.server.rows;

import freshsplice.core.delivery.Grade;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.DynamicUpdate;

/** A rendered version of a shot or a master. */
@Entity
@OutsideSteps("a render is a file, asked for and taken away by itself")
@DynamicUpdate
@Table(name = "render")
public class RenderRow extends Row {
    public long projectId;
    public Long shotId;
    public Long masterId;
    public String name;
    public int version;
    @Enumerated(EnumType.STRING)
    public State state;
    public int width;
    public int height;
    public boolean burnIn;
    /** Whether what is out of focus is blurred. */
    public boolean blur;
    @Enumerated(EnumType.STRING)
    public Grade grade = Grade.DRAFT;
    public Rational fromPosition;
    public Rational speed;
    public RetimeKeys retimeKeys = RetimeKeys.NONE;
    public long frames;
    /** For how many frames of its movie each is held: every nth frame is drawn and the movie is as long as the whole. */
    public int held = 1;
    /** Frames of its movie; null for as many as are drawn. */
    public Long played;
    /** So many of them at either end are to spare. */
    public int handles;
    /** The movie or run of pictures that it comes from where another program made it; null where we draw it. */
    public Long mediaId;
    /** Whether a whole master is joined from finished renders, and only what none shows is drawn. */
    public boolean joined;
    public long framesDone;
    /** Its recipe as it was when it was asked for; null for those of before there were any. */
    public Long recipeTextId;
    public String recipeName;
    /** Frames/s of its movies; null for the project's. */
    public FrameRate rate;
    /** Folder of its files below the renders folder; null for those of before they had one. */
    public String folder;
    /** Its place in the queue: lower ones first. */
    public long place;
    /** What draws it: all of its frames come from one. */
    public String driver;
    /** Name of the movie that windows play, below the renders folder; null until it is whole. */
    public String file;
    /** Name of the movie that a list which is handed back points at; null until it is whole. */
    public String delivered;
    /** The version of the shot's renders from whose camera another program made it; null where that is not known. */
    public Integer cameraOf;
    public long bytes;
    public String sha256;
    public String error;
    public String who;
    public Instant requestedAt;
    public Instant startedAt;
    public Instant finishedAt;

    /** A render's life. */
    public enum State {
        WAITING, DRAWING, PAUSED, DONE, STOPPED, FAILED;

        /** Whether nothing works on it any more. */
        public boolean isEnded() {
            return this == DONE || this == STOPPED || this == FAILED;
        }
    }

    /** Frames of its movie. */
    public long played() {
        return played == null ? frames : played;
    }

    /** Frames/s of its movie. @param project whose rate one of an earlier version of the program has */
    public FrameRate rate(FrameRate project) {
        return rate == null ? project : rate;
    }

    /** Drawn frames/s of its movie: where each is held they come less often. */
    public Rational drawnRate(FrameRate project) {
        return rate(project).fps().dividedBy(Rational.of(held));
    }
}
