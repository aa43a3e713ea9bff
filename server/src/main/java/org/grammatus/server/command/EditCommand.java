package org.grammatus.server.command;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Checked;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.definition.edit.EditCatalogue;
import org.grammatus.core.definition.edit.EditCatalogue.EditKind;
import org.grammatus.core.definition.edit.EditCatalogue.Property;
import org.grammatus.core.edit.Edits;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.runs.WholeFile;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Makes a named edit to a report's definition, without a server. */
@Command(
        name = "edit",
        mixinStandardHelpOptions = true,
        description = "Makes a named edit to a report's definition, without a server.")
final class EditCommand implements Callable<Integer> {

    @CommandLine.Mixin
    private ReportFiles files = new ReportFiles();

    @Parameters(index = "1", paramLabel = "EDIT", arity = "0..1", description = "Its name; all are listed without one.")
    private Optional<String> edit = Optional.empty();

    @Parameters(
            index = "2..*",
            paramLabel = "KEY=VALUE",
            description = "What the edit is of, such as field=depot. Several texts are separated by commas.")
    private Map<String, String> properties = new LinkedHashMap<>();

    @Option(
            names = "--block",
            paramLabel = "ID",
            description = "The block that is worked on; the first that is switched on unless said.")
    private Optional<String> block = Optional.empty();

    @Option(
            names = {"-o", "--output"},
            paramLabel = "FILE",
            description = "The file to write; it may be the report's own. Standard output unless said.")
    private Optional<Path> output = Optional.empty();

    @CommandLine.Mixin
    private ZoneOption zone = new ZoneOption();

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec;

    @Override
    public Integer call() {
        if (edit.isEmpty()) {
            EditCatalogue.all().forEach(this::describe);
            return CommandLine.ExitCode.OK;
        }
        Report draft = files.draft();
        EditScope scope = new EditScope(
                block,
                files.datasets(Checked.sound(draft)),
                LocalDate.now(draft.zone().flatMap(RunContext::zone).orElseGet(zone::zone)));
        Report edited =
                Edits.apply(draft, Definitions.readEdit(document(edit.get()).toString()), scope);
        String text = Definitions.write(edited);
        output.ifPresentOrElse(
                file -> write(file, text), () -> spec.commandLine().getOut().print(text));
        return CommandLine.ExitCode.OK;
    }

    private void describe(EditKind kind) {
        String of = kind.properties().stream()
                .map(property -> property.required() ? word(property) : "[" + word(property) + "]")
                .collect(Collectors.joining(" "));
        spec.commandLine().getOut().printf("%s %s%n    %s%n", kind.name(), of, kind.does());
    }

    private static String word(Property property) {
        return property.name() + "="
                + switch (property.shape()) {
                    case TEXT -> "TEXT";
                    case YES_NO -> "true|false";
                    case WORD -> String.join("|", property.words());
                    case TEXTS -> "TEXT,TEXT";
                    case DOCUMENT -> "JSON";
                };
    }

    /** The edit as a document; what its properties must be is said where it is read. */
    private ObjectNode document(String name) {
        ObjectNode document = JsonMapper.shared().createObjectNode().put(EditCatalogue.NAME, name);
        List<Property> known =
                EditCatalogue.find(name).map(EditKind::properties).orElse(List.of());
        properties.forEach((key, value) -> known.stream()
                .filter(property -> property.name().equals(key))
                .findFirst()
                .ifPresentOrElse(property -> put(document, property, value), () -> document.put(key, value)));
        return document;
    }

    private static void put(ObjectNode document, Property property, String value) {
        switch (property.shape()) {
            case TEXT, WORD -> document.put(property.name(), value);
            case YES_NO -> {
                if (value.equals("true") || value.equals("false")) {
                    document.put(property.name(), Boolean.parseBoolean(value));
                } else {
                    document.put(property.name(), value);
                }
            }
            case TEXTS -> {
                List<String> texts = new ArrayList<>(List.of(value.split(",")));
                texts.forEach(text -> document.withArray(property.name()).add(text.strip()));
            }
            case DOCUMENT -> {
                try {
                    document.set(property.name(), JsonMapper.shared().readTree(value));
                } catch (JacksonException e) {
                    throw new CommandFailure(property.name() + " is no JSON: " + e.getOriginalMessage());
                }
            }
        }
    }

    /** The file is replaced once the new one is whole. */
    private static void write(Path file, String text) {
        try {
            WholeFile.write(file, out -> out.write(text.getBytes(StandardCharsets.UTF_8)));
        } catch (IOException e) {
            throw new CommandFailure("The file " + file + " could not be written: " + e.getMessage()
                    + ". Nothing was left there half-written");
        }
    }
}
