package org.grammatus.core.plan.style;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
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

    private final ByteBuffer bytes;
    private final Inflater dots = new Inflater();
    private int width;
    private int height;
    private long expected;
    private long found;

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
        switch (new String(whole, 0, NAME, StandardCharsets.US_ASCII)) {
            case "IHDR" -> header(ByteBuffer.wrap(content));
            case "IDAT" -> inflate(content);
            case "IEND" -> {
                return true;
            }
            default -> {}
        }
        return false;
    }

    private void header(ByteBuffer header) {
        if (header.remaining() < 13) {
            throw new IllegalArgumentException("the file is damaged");
        }
        width = header.getInt();
        height = header.getInt();
        int depth = header.get();
        int type = header.get();
        header.getShort();
        if (width < 1 || height < 1 || width > MOST_DOTS || height > MOST_DOTS) {
            throw new IllegalArgumentException(
                    "it has " + width + " × " + height + " dots, expected at most " + MOST_DOTS + " either way");
        }
        if (header.get() != 0) {
            throw new IllegalArgumentException("it is interlaced; save it without");
        }
        if (type < 0 || type >= CHANNELS.length || CHANNELS[type] == 0 || depth < 1 || depth > 16) {
            throw new IllegalArgumentException("the file is damaged");
        }
        expected = (1 + ((long) width * depth * CHANNELS[type] + 7) / 8) * height;
    }

    private void inflate(byte[] part) {
        dots.setInput(part);
        byte[] into = new byte[8_192];
        try {
            int some;
            while ((some = dots.inflate(into)) > 0) {
                found += some;
                if (found > expected) {
                    throw new IllegalArgumentException("the file is damaged");
                }
            }
        } catch (DataFormatException e) {
            throw new IllegalArgumentException("the file is damaged", e);
        }
    }
}
