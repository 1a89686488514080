package freshsplice.server.rows;

import freshsplice.core.time.FrameRate;
import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;

/** Exact rates as text, {@code 24000/1001}. */
@Converter(autoApply = true)
public class FrameRateColumn implements AttributeConverter<FrameRate, String> {
    @Override
    public String convertToDatabaseColumn(FrameRate rate) {
        return rate == null ? null : rate.toString();
    }

    @Override
    public FrameRate convertToEntityAttribute(String text) {
        return text == null ? null : FrameRate.parse(text);
    }
}
