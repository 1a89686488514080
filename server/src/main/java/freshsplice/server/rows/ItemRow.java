package freshsplice.server.rows;

import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Shape;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A thing of a set. */
@Entity
@DynamicUpdate
@Table(name = "item")
public class ItemRow extends AliveRow {
    public long sceneId;
    public int place;
    public String name;
    @Enumerated(EnumType.STRING)
    public Shape shape;
    public String colour;
    public double width;
    public double height;
    public double depth;
    /** Where it stands as long as no key moves it, metres. */
    public double x;
    public double y;
    public double z;
    /** Degrees. */
    public double turn;
    public double lean;
    /** Name of the things that it is put together with; null where it is by itself. */
    public String grouped;
    public boolean locked;
    /** Out of sight while one works; films all the same. */
    public boolean hidden;

    public Geometry geometry() {
        return new Geometry.Figure(shape, colour);
    }

    /** The value of a channel that no key moves. */
    public double plain(ItemChannel channel) {
        return switch (channel) {
            case X -> x;
            case Y -> y;
            case Z -> z;
            case TURN -> turn;
            case LEAN -> lean;
            case SHOWN -> channel.plain();
        };
    }

    /** Sets the value of a channel that no key moves. Whether a thing is there can only be keyed. */
    public void setPlain(ItemChannel channel, double value) {
        switch (channel) {
            case X -> x = value;
            case Y -> y = value;
            case Z -> z = value;
            case TURN -> turn = value;
            case LEAN -> lean = value;
            case SHOWN -> throw new IllegalArgumentException("Whether a thing is there is keyed");
        }
    }
}
