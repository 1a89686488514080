package freshsplice.server.rows;

import freshsplice.core.stage.ItemChannel;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A key of an item, on the action clock. */
@Entity
@DynamicUpdate
@Table(name = "item_key")
public class ItemKeyRow extends KeyRow {
    public long itemId;
    @Enumerated(EnumType.STRING)
    public ItemChannel channel;
}
