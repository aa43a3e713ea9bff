package org.grammatus.server;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import org.grammatus.server.problem.MayBeMissing;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What the description of the HTTP interface says of itself; the web code's types are made from it. */
@Configuration
class OpenApiConfiguration {

    @Bean
    OpenAPI description() {
        return new OpenAPI().info(new Info().title("Grammatus").version("1"));
    }

    /** The address at which it happens to be asked is no part of the description. */
    @Bean
    OpenApiCustomizer withoutAddress() {
        return description -> description.setServers(List.of(new Server().url("/")));
    }

    /** A document is described by its own schema, which is published apart. */
    @Bean
    OpenApiCustomizer documents() {
        return description -> description
                .getComponents()
                .getSchemas()
                .put(
                        "JsonNode",
                        new Schema<>().description("A document, or a part of one, as its JSON Schema describes it."));
    }

    /** A report is added by its document alone, which is read as text so that faults are found by line and column. */
    @Bean
    OpenApiCustomizer addedReport() {
        return description -> description
                .getPaths()
                .get("/api/reports")
                .getPost()
                .getRequestBody()
                .getContent()
                .values()
                .forEach(body -> body.setSchema(new Schema<>().$ref("#/components/schemas/JsonNode")));
    }

    /** Edits have bodies of their own, each told apart by its name. */
    @Bean
    OpenApiCustomizer namedEdits() {
        return EditSchemas::describe;
    }

    @Bean
    ModelConverter requiredUnlessOptional() {
        return new RequiredUnlessOptional();
    }

    /** A record's component is always there, unless its type says that it may be missing. */
    private static final class RequiredUnlessOptional implements ModelConverter {
        @Override
        public Schema<?> resolve(AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
            Schema<?> schema = chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
            JavaType java = Json.mapper().constructType(type.getType());
            if (schema != null && java != null && java.getRawClass().isRecord()) {
                String[] path = Optional.ofNullable(schema.get$ref()).orElse("").split("/");
                Schema<?> model = context.getDefinedModels().getOrDefault(path[path.length - 1], schema);
                require(model, java.getRawClass());
            }
            return schema;
        }

        private static void require(Schema<?> model, Class<?> record) {
            if (model.getProperties() != null) {
                model.setRequired(Arrays.stream(record.getRecordComponents())
                        .filter(component -> component.getType() != Optional.class
                                && !component.isAnnotationPresent(MayBeMissing.class))
                        .map(RecordComponent::getName)
                        .filter(model.getProperties()::containsKey)
                        .toList());
            }
        }
    }
}
