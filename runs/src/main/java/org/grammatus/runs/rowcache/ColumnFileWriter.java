package org.grammatus.runs.rowcache;

import static java.nio.charset.StandardCharsets.UTF_8;

import java.io.IOException;
import java.math.BigInteger;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntFunction;
import java.util.zip.CRC32C;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Star;
import org.grammatus.runs.rowcache.FileContents.ColumnPart;
import org.grammatus.runs.rowcache.FileContents.Encoding;
import org.grammatus.runs.rowcache.FileContents.Span;
import org.grammatus.runs.rowcache.FileContents.TablePart;
import tools.jackson.databind.json.JsonMapper;

/** Writes rows to a column file, one column after another. Used once. */
final class ColumnFileWriter implements AutoCloseable {

    static final byte[] MARK = "GRCOL-1\n".getBytes(UTF_8);

    /** The mark again, the position and length of the contents, and their checksum. */
    static final int END_BYTES = 8 + 8 + 8 + 8;

    static final int ALIGNMENT = 8;
    static final int BUFFER_BYTES = 1 << 18;

    private final FileChannel file;
    private final ByteBuffer buffer = ByteBuffer.allocateDirect(BUFFER_BYTES).order(ByteOrder.LITTLE_ENDIAN);
    private final CRC32C crc = new CRC32C();
    private long position;

    private ColumnFileWriter(FileChannel file) {
        this.file = file;
    }

    /**
     * Writes rows to a file. Nothing is there under its name before all is written.
     *
     * @throws IOException if the file cannot be written; then nothing is left of it
     */
    static void write(Star star, Path file) throws IOException {
        Path part = file.resolveSibling(file.getFileName() + ".part");
        try {
            try (FileChannel channel = FileChannel.open(
                            part,
                            StandardOpenOption.CREATE,
                            StandardOpenOption.TRUNCATE_EXISTING,
                            StandardOpenOption.WRITE);
                    ColumnFileWriter writer = new ColumnFileWriter(channel)) {
                writer.write(star);
            }
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    private void write(Star star) throws IOException {
        bytes(MARK);
        List<TablePart> tables = new ArrayList<>();
        for (int table = 0; table < star.dataset().tableCount(); table++) {
            tables.add(table(star.table(table)));
        }
        byte[] contents = JsonMapper.shared().writeValueAsBytes(new FileContents(tables));
        Span span = bytes(contents);
        buffer.put(MARK).putLong(span.at()).putLong(span.bytes()).putLong(span.crc());
        empty();
    }

    private TablePart table(Star.Rows rows) throws IOException {
        List<ColumnPart> keys = new ArrayList<>();
        for (Column key : rows.keys()) {
            keys.add(column(key));
        }
        Map<String, ColumnPart> fields = new LinkedHashMap<>();
        for (Map.Entry<String, Column> field : rows.fields().entrySet()) {
            fields.put(field.getKey(), column(field.getValue()));
        }
        return new TablePart(rows.size(), rows.whole(), rows.leftOut(), ints(rows.links()), keys, fields);
    }

    private ColumnPart column(Column column) throws IOException {
        return switch (column) {
            case Column.Longs c -> part(c, longs(c.values()), null, null, null);
            case Column.Wides c -> {
                BigInteger[] numbers = c.values();
                Pieces pieces =
                        pieces(numbers.length, i -> numbers[i] == null ? new byte[0] : numbers[i].toByteArray());
                yield part(c, null, null, pieces.bytes, pieces.ends);
            }
            case Column.Texts c -> {
                Encoding encoding = encoding(c.dictionary());
                Pieces pieces = pieces(
                        c.dictionary().length,
                        i -> encoding == Encoding.UTF_8 ? c.dictionary()[i].getBytes(UTF_8) : units(c.dictionary()[i]));
                yield part(c, ints(c.codes()), encoding, pieces.bytes, pieces.ends);
            }
        };
    }

    private static ColumnPart part(Column column, Span values, Encoding encoding, Span pieces, Span ends) {
        return new ColumnPart(column.type().kind(), column.type().scale(), values, encoding, pieces, ends);
    }

    private static Encoding encoding(String[] texts) {
        var utf8 = UTF_8.newEncoder();
        for (String text : texts) {
            if (!utf8.canEncode(text)) {
                return Encoding.UTF_16LE;
            }
        }
        return Encoding.UTF_8;
    }

    /** Not by way of a charset, which would replace half characters. */
    private static byte[] units(String text) {
        ByteBuffer bytes = ByteBuffer.allocate(text.length() * Character.BYTES).order(ByteOrder.LITTLE_ENDIAN);
        bytes.asCharBuffer().put(text);
        return bytes.array();
    }

    /** What was written of several byte strings. */
    private record Pieces(Span bytes, Span ends) {}

    private Pieces pieces(int count, IntFunction<byte[]> piece) throws IOException {
        long[] ends = new long[count];
        long start = begin();
        long end = 0;
        for (int i = 0; i < count; i++) {
            byte[] bytes = piece.apply(i);
            put(bytes);
            end += bytes.length;
            ends[i] = end;
        }
        return new Pieces(end(start), longs(ends));
    }

    private Span longs(long[] values) throws IOException {
        long start = begin();
        for (int from = 0; from < values.length; ) {
            int count = Math.min(values.length - from, buffer.capacity() / Long.BYTES);
            buffer.asLongBuffer().put(values, from, count);
            buffer.position(count * Long.BYTES);
            empty();
            from += count;
        }
        return end(start);
    }

    private Span ints(int[] values) throws IOException {
        long start = begin();
        for (int from = 0; from < values.length; ) {
            int count = Math.min(values.length - from, buffer.capacity() / Integer.BYTES);
            buffer.asIntBuffer().put(values, from, count);
            buffer.position(count * Integer.BYTES);
            empty();
            from += count;
        }
        return end(start);
    }

    private Span bytes(byte[] bytes) throws IOException {
        long start = begin();
        put(bytes);
        return end(start);
    }

    private void put(byte[] bytes) throws IOException {
        for (int from = 0; from < bytes.length; ) {
            int count = Math.min(bytes.length - from, buffer.remaining());
            buffer.put(bytes, from, count);
            from += count;
            if (!buffer.hasRemaining()) {
                empty();
            }
        }
    }

    private long begin() {
        crc.reset();
        return position;
    }

    /** Ends a span, and fills up to where the next may begin. */
    private Span end(long start) throws IOException {
        empty();
        Span span = new Span(start, position - start, crc.getValue());
        while ((position + buffer.position()) % ALIGNMENT != 0) {
            buffer.put((byte) 0);
        }
        empty();
        return span;
    }

    private void empty() throws IOException {
        buffer.flip();
        crc.update(buffer);
        buffer.rewind();
        while (buffer.hasRemaining()) {
            position += file.write(buffer);
        }
        buffer.clear();
    }

    @Override
    public void close() throws IOException {
        file.close();
    }
}
