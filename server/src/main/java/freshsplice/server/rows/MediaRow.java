package freshsplice.server.rows;

import freshsplice.core.time.FrameRate;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A picture, movie or sound that was given. */
@Entity
@DynamicUpdate
@Table(name = "media")
public class MediaRow extends AliveRow {
    public long projectId;
    public String name;
    @Enumerated(EnumType.STRING)
    public Kind kind;
    /** Its name with the folders it was given with. */
    public String path;
    /** File name below the media folder; null where it is linked, or a run of pictures. */
    public String stored;
    /** Where it lies in a folder of the server; null where it is kept. */
    public String linked;
    /** When a linked file was last written as it was looked at, milliseconds since 1970; null for others. */
    public Long writtenAt;
    /** Name of its tape or card as it tells itself; null without. */
    public String reel;
    public long bytes;
    public String sha256;
    public int width;
    public int height;
    public FrameRate rate;
    public long frames;
    public double seconds;
    /** Frames from 00:00:00:00 to its first, by the timecode in the file; 0 where it has none. */
    public long startFrame;

    /** What a file holds; a run is numbered pictures that play as a movie. */
    public enum Kind { PICTURE, MOVIE, SOUND, RUN }
}
