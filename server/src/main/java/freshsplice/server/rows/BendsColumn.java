package freshsplice.server.rows;

import freshsplice.core.master.Bend;
import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;
import java.util.List;

/** Keys of a changing speed as text. */
@Converter(autoApply = true)
public class BendsColumn implements AttributeConverter<Bends, String> {
    @Override
    public String convertToDatabaseColumn(Bends bends) {
        return bends == null ? "" : Bend.text(bends.keys());
    }

    @Override
    public Bends convertToEntityAttribute(String text) {
        return new Bends(text == null || text.isEmpty() ? List.of() : Bend.parse(text));
    }
}
