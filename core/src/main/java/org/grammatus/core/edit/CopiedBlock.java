package org.grammatus.core.edit;

import java.util.HashMap;
import java.util.Map;
import org.grammatus.core.definition.DefinitionMapping;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.edit.part.LevelForm;
import org.grammatus.core.edit.part.PartIds;
import org.grammatus.core.expression.RenamedLevels;

/** A block whose parts have ids of their own: what refers to a part, in expressions too, refers to its copy. */
final class CopiedBlock {

    private CopiedBlock() {}

    static ReportBlock of(ReportBlock block, PartIds ids) {
        Map<String, String> renamed = new HashMap<>();
        if (block instanceof TableBlock table) {
            // The columns that name a level's groups are known by the level's id.
            table.levels().forEach(level -> {
                String copy = ids.copyOf(level.id());
                renamed.put(level.id(), copy);
                renamed.put(LevelForm.labelColumn(level.id()), ids.free(LevelForm.labelColumn(copy)));
                renamed.put(LevelForm.columnOfLevel(level.id()), ids.free(LevelForm.columnOfLevel(copy)));
            });
        }
        block.mapped(new DefinitionMapping() {
            @Override
            public String part(String id) {
                renamed.computeIfAbsent(id, ids::copyOf);
                return id;
            }
        });
        return block.mapped(new DefinitionMapping() {
            @Override
            public String part(String id) {
                return renamed.get(id);
            }

            @Override
            public String expression(String text) {
                return RenamedLevels.expression(text, renamed);
            }

            @Override
            public String template(String text) {
                return RenamedLevels.template(text, renamed);
            }
        });
    }
}
