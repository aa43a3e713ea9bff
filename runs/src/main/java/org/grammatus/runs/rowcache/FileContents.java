package org.grammatus.runs.rowcache;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import java.util.Map;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Type;

/** What a column file says of itself, as JSON at its end; see {@code docs/column-file.md}. */
record FileContents(List<TablePart> tables) {

    /**
     * Bytes of the file.
     *
     * @param at position of the first, a multiple of 8
     * @param bytes how many
     * @param crc their CRC-32C
     */
    record Span(long at, long bytes, long crc) {}

    /**
     * A table, in the order of the dataset's tables.
     *
     * @param rows the missing row included
     * @param links for each row of the table that points here, the row of this table, 32 bits each
     */
    record TablePart(
            int rows, boolean whole, int leftOut, Span links, List<ColumnPart> keys, Map<String, ColumnPart> fields) {}

    /**
     * A column. Its values are 64-bit numbers; where it has an {@code encoding}, 32-bit numbers of texts, with the texts one after
     * another and the position at which each ends; where it has ends alone, unscaled numbers of any length, in the same way.
     *
     * @param values 64-bit values or 32-bit codes
     * @param pieces texts or numbers, one after another
     * @param ends where each piece ends, counted in bytes from the first, 64 bits each
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record ColumnPart(Kind type, int scale, Span values, Encoding encoding, Span pieces, Span ends) {

        Type columnType() {
            return new Type(type, scale);
        }
    }

    /** How texts are written; UTF-16 where one holds half a character, which UTF-8 cannot say. */
    enum Encoding {
        UTF_8,
        UTF_16LE
    }
}
