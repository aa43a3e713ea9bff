package org.grammatus.core.plan.style;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Set;
import java.util.zip.CRC32;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/**
 * A PNG file (ISO/IEC 15948), looked through from end to end before anything is painted with it: it comes from outside, and a page must never
 * fail on it.
 */
final class PngFile {

    /** The largest picture that is taken, in dots either way. */
    static final int MOST_DOTS = 4_000;

    private static final long SIGNATURE = 0x89504E470D0A1A0AL;
    private static final int NAME = 4;
    private static final int[] CHANNELS = {1, 0, 3, 1, 2, 0, 4};
    private static final int PALETTE = 3;
    private static final int LAST_FILTER = 4;
    /** By type of colour, how many bits a channel may have (ISO/IEC 15948, table 11.1). */
    private static final List<Set<Integer>> DEPTHS = List.of(
            Set.of(1, 2, 4, 8, 16),
            Set.of(),
            Set.of(8, 16),
            Set.of(1, 2, 4, 8),
            Set.of(8, 16),
            Set.of(),
            Set.of(8, 16));

    private final ByteBuffer bytes;
    private final Inflater dots = new Inflater();
    private int width;
    private int height;
    private int type;
    private long line;
    private long expected;
    private long found;
    private boolean palette;
    private Parts part = Parts.BEFORE;

    /** How far the parts of the file have been read: a header, then anything, then all dots in one go, then anything to the end. */
    private enum Parts {
        BEFORE,
        HEADER,
        DOTS,
        AFTER
    }

    private PngFile(byte[] file) {
        this.bytes = ByteBuffer.wrap(file);
    }

    /**
     * Width and height in dots.
     *
     * @throws IllegalArgumentException with what is wrong with the file, in words
     */
    static int[] size(String base64) {
        byte[] file;
        try {
            file = Base64.getDecoder().decode(base64);
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("it is no Base64", e);
        }
        PngFile png = new PngFile(file);
        try {
            png.read();
        } finally {
            png.dots.end();
        }
        return new int[] {png.width, png.height};
    }

    private void read() {
        if (bytes.remaining() < Long.BYTES || bytes.getLong() != SIGNATURE) {
            throw new IllegalArgumentException("it is no PNG file");
        }
        boolean ended = false;
        while (!ended) {
            ended = chunk();
        }
        if (width == 0 || found != expected) {
            throw new IllegalArgumentException("its dots are not all there");
        }
    }

    /** Reads a chunk and says whether it is the last. */
    private boolean chunk() {
        if (bytes.remaining() < 3 * NAME) {
            throw new IllegalArgumentException("the file breaks off");
        }
        int length = bytes.getInt();
        if (length < 0 || length > bytes.remaining() - 2 * NAME) {
            throw new IllegalArgumentException("the file breaks off");
        }
        byte[] whole = new byte[NAME + length];
        bytes.get(whole);
        CRC32 sum = new CRC32();
        sum.update(whole);
        if ((int) sum.getValue() != bytes.getInt()) {
            throw new IllegalArgumentException("the file is damaged");
        }
        byte[] content = Arrays.copyOfRange(whole, NAME, whole.length);
        String name = new String(whole, 0, NAME, StandardCharsets.US_ASCII);
        if (name.equals("IHDR") != (part == Parts.BEFORE)) {
            throw damaged();
        }
        switch (name) {
            case "IHDR" -> {
                header(ByteBuffer.wrap(content));
                part = Parts.HEADER;
            }
            case "PLTE" -> palette(content.length);
            case "IDAT" -> {
                if (part == Parts.AFTER || type == PALETTE && !palette) {
                    throw damaged();
                }
                part = Parts.DOTS;
                inflate(content);
            }
            case "IEND" -> {
                return true;
            }
            default -> part = part == Parts.DOTS ? Parts.AFTER : part;
        }
        return false;
    }

    private static IllegalArgumentException damaged() {
        return new IllegalArgumentException("the file is damaged");
    }

    private void palette(int length) {
        boolean fits = length > 0 && length % 3 == 0 && length / 3 <= 256;
        if (palette || part != Parts.HEADER || !fits || type == 0 || type == 4) {
            throw damaged();
        }
        palette = true;
    }

    private void header(ByteBuffer header) {
        if (header.remaining() != 13) {
            throw damaged();
        }
        width = header.getInt();
        height = header.getInt();
        int depth = header.get();
        type = header.get();
        boolean usual = header.getShort() == 0;
        if (width < 1 || height < 1 || width > MOST_DOTS || height > MOST_DOTS) {
            throw new IllegalArgumentException(
                    "it has " + width + " × " + height + " dots, expected at most " + MOST_DOTS + " either way");
        }
        if (header.get() != 0) {
            throw new IllegalArgumentException("it is interlaced; save it without");
        }
        if (!usual || type < 0 || type >= DEPTHS.size() || !DEPTHS.get(type).contains(depth)) {
            throw damaged();
        }
        line = 1 + ((long) width * depth * CHANNELS[type] + 7) / 8;
        expected = line * height;
    }

    private void inflate(byte[] part) {
        dots.setInput(part);
        byte[] into = new byte[8_192];
        try {
            int some;
            while ((some = dots.inflate(into)) > 0) {
                filters(into, some);
                found += some;
                if (found > expected) {
                    throw damaged();
                }
            }
        } catch (DataFormatException e) {
            throw damaged();
        }
    }

    /** Each line begins with the number of its filter. */
    private void filters(byte[] some, int length) {
        for (long at = (line - found % line) % line; at < length; at += line) {
            if (some[(int) at] < 0 || some[(int) at] > LAST_FILTER) {
                throw damaged();
            }
        }
    }
}
