package freshsplice.server.rows;

import freshsplice.core.time.Rational;
import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;

/** Exact fractions as text, {@code 1001/24}. */
@Converter(autoApply = true)
public class RationalColumn implements AttributeConverter<Rational, String> {
    @Override
    public String convertToDatabaseColumn(Rational value) {
        return value == null ? null : value.toString();
    }

    @Override
    public Rational convertToEntityAttribute(String text) {
        return text == null ? null : Rational.parse(text);
    }
}
