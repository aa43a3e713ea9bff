package org.grammatus.core.value;

/**
 * The type of an expression or a field.
 *
 * @param kind the kind of value
 * @param scale digits after the decimal point, 0 to {@value #MOST_SCALE}; 0 for every kind but decimal
 */
public record Type(Kind kind, int scale) {

    /** The most digits a decimal can have in all. */
    public static final int MOST_DIGITS = 38;
    /** The most digits a decimal can have after its point. */
    public static final int MOST_SCALE = 18;
    /** What a division, an average or a median adds to the larger scale of its operands. */
    public static final int DIVISION_SCALE = 8;

    public static final Type TEXT = new Type(Kind.TEXT, 0);
    public static final Type INTEGER = new Type(Kind.INTEGER, 0);
    public static final Type DATE = new Type(Kind.DATE, 0);
    public static final Type TIMESTAMP = new Type(Kind.TIMESTAMP, 0);
    public static final Type BOOLEAN = new Type(Kind.BOOLEAN, 0);

    public Type {
        if (scale < 0 || scale > MOST_SCALE || (scale != 0 && kind != Kind.DECIMAL)) {
            throw new IllegalArgumentException("A " + kind + " cannot have scale " + scale);
        }
    }

    /** A decimal type; a scale beyond {@value #MOST_SCALE} is cut to it. */
    public static Type decimal(int scale) {
        return new Type(Kind.DECIMAL, Math.min(scale, MOST_SCALE));
    }

    public static Type of(Kind kind) {
        return new Type(kind, 0);
    }

    public boolean isNumber() {
        return kind.isNumber();
    }

    /** Whether it tells a day. */
    public boolean isTime() {
        return kind.isTime();
    }

    @Override
    public String toString() {
        return kind.word();
    }
}
