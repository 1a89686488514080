package freshsplice.server.http;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import freshsplice.server.masters.edit.MasterEdit;
import freshsplice.server.renders.RecipeEdit;
import freshsplice.server.shots.SceneEdit;
import freshsplice.server.shots.ShotEdit;
import freshsplice.server.stages.edit.CameraEdit;
import freshsplice.server.stages.edit.SetEdit;
import freshsplice.server.steps.Asker;
import io.swagger.v3.core.jackson.ModelResolver;
import io.swagger.v3.core.jackson.TypeNameResolver;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.providers.ObjectMapperProvider;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The description of the HTTP interface says what is always there: all but what is marked as nullable. */
@ConditionalOnProperty("springdoc.api-docs.enabled")
@Configuration
class Description {
    /** Nullable fields of the core's types, which know no annotations of this interface. */
    private static final Map<String, Set<String>> NULLABLE_IN_CORE = Map.of("FocusRuler",
            Set.of("far"));

    /** Types are called as the code calls them, without the room that they happen to be in. */
    private static final class ShortNames extends TypeNameResolver {
        @Override
        protected String getNameOfClass(Class<?> type) {
            return of(type);
        }

        static String of(Class<?> type) {
            return type.getName().substring(type.getPackageName().length() + 1).replace('$', '.');
        }
    }

    /** Types of which one of many is meant. */
    private static final List<Class<?>> ONE_OF_MANY = List.of(MasterEdit.class, CameraEdit.class, SetEdit.class, SceneEdit.class,
            ShotEdit.class, RecipeEdit.class);

    static {
        SpringDocUtils.getConfig().addRequestWrapperToIgnore(Asker.class);
    }

    @Bean
    ModelResolver names(ObjectMapperProvider mappers) {
        return new ModelResolver(mappers.jsonMapper(), new ShortNames()).openapi31(true);
    }

    @Bean
    @SuppressWarnings("rawtypes")
    OpenApiCustomizer requiredFields() {
        return api -> {
            api.info(new Info().title("Fresh Splice").version("0.1.0"));
            api.setServers(null);
            Map<String, Schema> schemas = api.getComponents().getSchemas();
            ONE_OF_MANY.forEach(type -> nameKinds(type, schemas.get(type.getSimpleName())));
            schemas.forEach((name, schema) -> require(name, schema));
        };
    }

    /** Which value of the field that tells them apart means which type. */
    private static void nameKinds(Class<?> type, Schema<?> schema) {
        for (JsonSubTypes.Type kind : type.getAnnotation(JsonSubTypes.class).value()) {
            schema.getDiscriminator().mapping(kind.name(), "#/components/schemas/" + ShortNames.of(kind.value()));
        }
    }

    @SuppressWarnings("rawtypes")
    private static void require(String name, Schema<?> schema) {
        if (schema.getAllOf() != null) {
            schema.setRequired(null);
            schema.getAllOf().forEach(part -> require(name, part));
        }
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
