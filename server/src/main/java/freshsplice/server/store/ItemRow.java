package freshsplice.server.store;

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
}
