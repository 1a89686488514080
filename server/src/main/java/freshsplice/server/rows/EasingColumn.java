package freshsplice.server.rows;

import freshsplice.core.motion.Easing;
import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;

/** How a key goes on, as its word with its figures. */
@Converter(autoApply = true)
public class EasingColumn implements AttributeConverter<Easing, String> {
    @Override
    public String convertToDatabaseColumn(Easing value) {
        return value == null ? null : value.word();
    }

    @Override
    public Easing convertToEntityAttribute(String text) {
        return text == null ? null : Easing.parse(text);
    }
}
