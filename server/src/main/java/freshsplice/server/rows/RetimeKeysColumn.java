package freshsplice.server.rows;

import freshsplice.core.master.RetimeKey;
import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;
import java.util.List;

/** Keys of a changing speed as text. */
@Converter(autoApply = true)
public class RetimeKeysColumn implements AttributeConverter<RetimeKeys, String> {
    @Override
    public String convertToDatabaseColumn(RetimeKeys retimeKeys) {
        return retimeKeys == null ? "" : RetimeKey.text(retimeKeys.keys());
    }

    @Override
    public RetimeKeys convertToEntityAttribute(String text) {
        return new RetimeKeys(text == null || text.isEmpty() ? List.of() : RetimeKey.parse(text));
    }
}
