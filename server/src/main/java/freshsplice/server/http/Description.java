package freshsplice.server.http;

import io.swagger.v3.core.jackson.ModelResolver;
import io.swagger.v3.core.jackson.TypeNameResolver;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.providers.ObjectMapperProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The description of the HTTP interface says what is always there: all but what is marked as nullable. */
@Configuration
class Description {
    /** Nullable fields of the core's types, which know no annotations of this interface. */
    private static final Map<String, Set<String>> NULLABLE_IN_CORE = Map.of("FocusRuler",
            Set.of("far"));

    /** Types are called as the code calls them, without the room that they happen to be in. */
    private static final class ShortNames extends TypeNameResolver {
        @Override
        protected String getNameOfClass(Class<?> type) {
            return type.getName().substring(type.getPackageName().length() + 1).replace('$', '.');
        }
    }

    @Bean
    ModelResolver names(ObjectMapperProvider mappers) {
        return new ModelResolver(mappers.jsonMapper(), new ShortNames()).openapi31(true);
    }

    @Bean
    OpenApiCustomizer requiredFields() {
        return api -> {
            api.info(new Info().title("Fresh Splice").version("0.1.0"));
            api.setServers(null);
            api.getComponents().getSchemas().forEach((name, schema) -> require(name, schema));
        };
    }

    @SuppressWarnings("rawtypes")
    private static void require(String name, Schema<?> schema) {
        Map<String, Schema> properties = raw(schema);
        if (properties != null) {
            Set<String> nullable = NULLABLE_IN_CORE.getOrDefault(name, Set.of());
            List<String> required = properties.entrySet().stream()
                    .filter(p -> !nullable.contains(p.getKey()) && !mayBeNull(p.getValue())).map(Map.Entry::getKey)
                    .toList();
            schema.setRequired(required);
            // a null is left out of an answer, so what may be null is only not always there
            properties.values().stream().filter(Description::mayBeNull).forEach(p -> {
                p.setNullable(null);
                if (p.getTypes() != null) {
                    p.getTypes().remove("null");
                    p.setTypes(p.getTypes().isEmpty() ? null : p.getTypes());
                }
            });
        }
    }

    @SuppressWarnings("rawtypes")
    private static Map<String, Schema> raw(Schema<?> schema) {
        return schema.getProperties();
    }

    private static boolean mayBeNull(Schema<?> property) {
        return Boolean.TRUE.equals(property.getNullable())
                || property.getTypes() != null && property.getTypes().contains("null");
    }
}
