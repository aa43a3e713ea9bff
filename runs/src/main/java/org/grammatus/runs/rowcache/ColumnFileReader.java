package org.grammatus.runs.rowcache;

import static java.nio.charset.StandardCharsets.UTF_8;

import java.io.IOException;
import java.math.BigInteger;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.CRC32C;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.runs.rowcache.FileContents.ColumnPart;
import org.grammatus.runs.rowcache.FileContents.Encoding;
import org.grammatus.runs.rowcache.FileContents.Span;
import org.grammatus.runs.rowcache.FileContents.TablePart;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Reads rows from a column file: all links and keys, and the fields that are wanted. What is damaged is not given. Used once. */
final class ColumnFileReader implements AutoCloseable {

    private final Path path;
    private final FileChannel file;
    private final ByteBuffer buffer =
            ByteBuffer.allocateDirect(ColumnFileWriter.BUFFER_BYTES).order(ByteOrder.LITTLE_ENDIAN);

    private ColumnFileReader(Path path, FileChannel file) {
        this.path = path;
        this.file = file;
    }

    /**
     * Reads a file.
     *
     * @param dataset whose rows were written, with the same tables
     * @param fields ids of those that are wanted
     * @throws IOException if it cannot be read, is damaged, or does not have a field
     */
    static Star read(Path path, DatasetModel dataset, Set<String> fields) throws IOException {
        try (FileChannel channel = FileChannel.open(path, StandardOpenOption.READ);
                ColumnFileReader reader = new ColumnFileReader(path, channel)) {
            return reader.read(dataset, fields);
        } catch (JacksonException | IllegalArgumentException e) {
            throw new IOException(path + " is damaged: its contents cannot be read", e);
        }
    }

    private Star read(DatasetModel dataset, Set<String> wanted) throws IOException {
        FileContents contents = contents();
        List<Star.Rows> tables = new ArrayList<>();
        for (TablePart part : contents.tables()) {
            List<Column> keys = new ArrayList<>();
            for (ColumnPart key : part.keys()) {
                keys.add(column(key, part.rows()));
            }
            Map<String, Column> fields = new LinkedHashMap<>();
            for (Map.Entry<String, ColumnPart> field : part.fields().entrySet()) {
                if (wanted.contains(field.getKey())) {
                    fields.put(field.getKey(), column(field.getValue(), part.rows()));
                }
            }
            int links = Math.toIntExact(part.links().bytes() / Integer.BYTES);
            tables.add(
                    new Star.Rows(part.rows(), fields, keys, ints(part.links(), links), part.leftOut(), part.whole()));
        }
        long found = tables.stream().mapToLong(rows -> rows.fields().size()).sum();
        require(found == wanted.size() && tables.size() == dataset.tableCount(), "it has other fields or tables");
        return new Star(dataset, tables);
    }

    private FileContents contents() throws IOException {
        long size = file.size();
        require(size >= ColumnFileWriter.MARK.length + ColumnFileWriter.END_BYTES, "it is too short");
        ByteBuffer end = ByteBuffer.wrap(
                        bytes(size - ColumnFileWriter.END_BYTES, ColumnFileWriter.END_BYTES, new CRC32C()))
                .order(ByteOrder.LITTLE_ENDIAN);
        byte[] mark = new byte[ColumnFileWriter.MARK.length];
        end.get(mark);
        require(Arrays.equals(mark, ColumnFileWriter.MARK), "it has no end");
        return JsonMapper.shared()
                .readValue(bytes(new Span(end.getLong(), end.getLong(), end.getLong())), FileContents.class);
    }

    private Column column(ColumnPart part, int rows) throws IOException {
        if (part.encoding() != null) {
            byte[][] pieces = pieces(part);
            String[] texts = new String[pieces.length];
            for (int i = 0; i < texts.length; i++) {
                texts[i] = part.encoding() == Encoding.UTF_8 ? new String(pieces[i], UTF_8) : ofUnits(pieces[i]);
            }
            return new Column.Texts(ints(part.values(), rows), texts);
        }
        if (part.ends() != null) {
            byte[][] pieces = pieces(part);
            require(pieces.length == rows, "a column has other rows");
            BigInteger[] numbers = new BigInteger[rows];
            for (int i = 0; i < rows; i++) {
                numbers[i] = pieces[i].length == 0 ? null : new BigInteger(pieces[i]);
            }
            return new Column.Wides(part.columnType(), numbers);
        }
        return new Column.Longs(part.columnType(), longs(part.values(), rows));
    }

    private static String ofUnits(byte[] bytes) {
        return ByteBuffer.wrap(bytes)
                .order(ByteOrder.LITTLE_ENDIAN)
                .asCharBuffer()
                .toString();
    }

    private byte[][] pieces(ColumnPart part) throws IOException {
        long[] ends = longs(part.ends(), Math.toIntExact(part.ends().bytes() / Long.BYTES));
        byte[] all = bytes(part.pieces());
        byte[][] pieces = new byte[ends.length][];
        int start = 0;
        for (int i = 0; i < ends.length; i++) {
            int end = Math.toIntExact(ends[i]);
            pieces[i] = Arrays.copyOfRange(all, start, end);
            start = end;
        }
        return pieces;
    }

    private long[] longs(Span span, int count) throws IOException {
        require(span.bytes() == (long) count * Long.BYTES, "a column has other rows");
        long[] values = new long[count];
        int[] filled = new int[1];
        spanned(span, () -> {
            int next = buffer.remaining() / Long.BYTES;
            buffer.asLongBuffer().get(values, filled[0], next);
            filled[0] += next;
        });
        return values;
    }

    private int[] ints(Span span, int count) throws IOException {
        require(span.bytes() == (long) count * Integer.BYTES, "a column has other rows");
        int[] values = new int[count];
        int[] filled = new int[1];
        spanned(span, () -> {
            int next = buffer.remaining() / Integer.BYTES;
            buffer.asIntBuffer().get(values, filled[0], next);
            filled[0] += next;
        });
        return values;
    }

    /** Hands on the bytes of a span, a buffer at a time, and compares their checksum. */
    private void spanned(Span span, Runnable taken) throws IOException {
        CRC32C crc = new CRC32C();
        long at = span.at();
        long end = span.at() + span.bytes();
        while (at < end) {
            buffer.clear().limit((int) Math.min(buffer.capacity(), end - at));
            fill(buffer, at);
            at += buffer.remaining();
            crc.update(buffer);
            buffer.rewind();
            taken.run();
        }
        require(crc.getValue() == span.crc(), "bytes from " + span.at() + " on have changed");
    }

    private byte[] bytes(Span span) throws IOException {
        CRC32C crc = new CRC32C();
        byte[] bytes = bytes(span.at(), span.bytes(), crc);
        require(crc.getValue() == span.crc(), "bytes from " + span.at() + " on have changed");
        return bytes;
    }

    private byte[] bytes(long at, long count, CRC32C crc) throws IOException {
        require(
                at >= 0 && count >= 0 && count <= Integer.MAX_VALUE - 8 && at + count <= file.size(),
                "it is too short");
        ByteBuffer bytes = ByteBuffer.allocate((int) count);
        fill(bytes, at);
        crc.update(bytes.array());
        return bytes.array();
    }

    private void fill(ByteBuffer target, long at) throws IOException {
        long position = at;
        while (target.hasRemaining()) {
            int read = file.read(target, position);
            require(read > 0, "it is too short");
            position += read;
        }
        target.flip();
    }

    private void require(boolean holds, String otherwise) throws IOException {
        if (!holds) {
            throw new IOException(path + " is damaged: " + otherwise);
        }
    }

    @Override
    public void close() throws IOException {
        file.close();
    }
}
