package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A recipe as renders were asked for with it, kept once for all of them. */
@Entity
@OutsideSteps("written once and never changed")
@DynamicUpdate
@Table(name = "recipe_text")
public class RecipeTextRow extends Row {
    /** Of its settings: equal ones, equal settings. */
    public String digest;
    /** As JSON. */
    public String settings;
}
