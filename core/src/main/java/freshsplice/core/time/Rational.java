package freshsplice.core.time;

import freshsplice.core.refusal.Refusal;
import java.util.Objects;

/**
 * An exact fraction in lowest terms with a positive denominator. All arithmetic is exact; a result that does not
 * fit 64 bits throws {@link ArithmeticException} instead of wrapping.
 */
public final class Rational implements Comparable<Rational> {
    public static final Rational ZERO = new Rational(0, 1);
    public static final Rational ONE = new Rational(1, 1);

    private final long num;
    private final long den;

    private Rational(long num, long den) {
        this.num = num;
        this.den = den;
    }

    /** The whole number {@code value}. */
    public static Rational of(long value) {
        return value == 0 ? ZERO : value == 1 ? ONE : new Rational(value, 1);
    }

    /**
     * The fraction {@code num/den}, reduced.
     *
     * @throws IllegalArgumentException if {@code den} is zero
     */
    public static Rational of(long num, long den) {
        if (den == 0) {
            throw new Refusal("A fraction needs a denominator other than 0: " + num + "/0");
        }
        if (den < 0) {
            num = Math.negateExact(num);
            den = Math.negateExact(den);
        }
        long divisor = gcd(Math.abs(num), den);
        if (divisor > 1) {
            num /= divisor;
            den /= divisor;
        }
        return den == 1 ? of(num) : new Rational(num, den);
    }

    /**
     * Reads {@code "24000/1001"}, {@code "-3"} or a decimal such as {@code "12.5"}, exactly.
     *
     * @throws IllegalArgumentException if the text is none of these, or has more than 18 digits
     */
    public static Rational parse(String text) {
        Objects.requireNonNull(text, "text");
        String trimmed = text.strip();
        try {
            int slash = trimmed.indexOf('/');
            if (slash >= 0) {
                return of(Long.parseLong(trimmed.substring(0, slash).strip()),
                        Long.parseLong(trimmed.substring(slash + 1).strip()));
            }
            int point = trimmed.indexOf('.');
            if (point < 0) {
                return of(Long.parseLong(trimmed));
            }
            String decimals = trimmed.substring(point + 1);
            if (!decimals.chars().allMatch(Character::isDigit) || decimals.length() > 9) {
                throw new NumberFormatException(trimmed);
            }
            long scale = 1;
            for (int i = 0; i < decimals.length(); i++) {
                scale *= 10;
            }
            String digits = trimmed.substring(0, point) + decimals;
            return of(Long.parseLong(digits), scale);
        } catch (NumberFormatException e) {
            throw new Refusal("Not a number or fraction: \"" + trimmed + "\"");
        }
    }

    /**
     * The simplest fraction that a double can have meant: within a millionth of a millionth part of it, so that
     * 29.97002997002997 is 30000/1001.
     *
     * @throws IllegalArgumentException if the value is not finite or has more than 15 digits before the point
     */
    public static Rational near(double value) {
        return simplest(value, Math.max(1e-12, Math.abs(value) * 1e-12));
    }

    /**
     * The simplest fraction that is at most {@code close} away from a value, found by its continued fraction.
     *
     * @throws IllegalArgumentException if the value is not finite or has more than 15 digits before the point
     */
    public static Rational simplest(double value, double close) {
        if (!(Math.abs(value) < 1e15)) {
            throw new Refusal("Not a number of frames: " + value);
        }
        long h0 = 1;
        long k0 = 0;
        long h1 = (long) Math.floor(value);
        long k1 = 1;
        double rest = value - h1;
        while (Math.abs(value - (double) h1 / k1) > close && rest != 0 && k1 < 100_000_000) {
            rest = 1 / rest;
            long whole = (long) Math.floor(rest);
            rest -= whole;
            long h2 = Math.addExact(Math.multiplyExact(whole, h1), h0);
            long k2 = whole * k1 + k0;
            h0 = h1;
            k0 = k1;
            h1 = h2;
            k1 = k2;
        }
        return of(h1, k1);
    }

    public long num() {
        return num;
    }

    public long den() {
        return den;
    }

    public Rational plus(Rational other) {
        if (den == 1 && other.den == 1) {
            return of(Math.addExact(num, other.num));
        }
        long divisor = gcd(den, other.den);
        long scale = other.den / divisor;
        return of(Math.addExact(Math.multiplyExact(num, scale), Math.multiplyExact(other.num, den / divisor)),
                Math.multiplyExact(den, scale));
    }

    public Rational plus(long whole) {
        return whole == 0 ? this : plus(of(whole));
    }

    public Rational minus(Rational other) {
        return plus(other.negate());
    }

    public Rational negate() {
        return num == 0 ? this : new Rational(Math.negateExact(num), den);
    }

    public Rational times(Rational other) {
        if (den == 1 && other.den == 1) {
            return of(Math.multiplyExact(num, other.num));
        }
        long a = gcd(Math.abs(num), other.den);
        long b = gcd(Math.abs(other.num), den);
        return of(Math.multiplyExact(num / a, other.num / b), Math.multiplyExact(den / b, other.den / a));
    }

    public Rational times(long whole) {
        return times(of(whole));
    }

    /** @throws IllegalArgumentException if {@code other} is zero */
    public Rational dividedBy(Rational other) {
        return times(of(other.den, other.num));
    }

    public Rational abs() {
        return num < 0 ? negate() : this;
    }

    /** The largest whole number not above this. */
    public long floor() {
        return Math.floorDiv(num, den);
    }

    /** The nearest whole number; halves go up. */
    public long round() {
        return plus(of(1, 2)).floor();
    }

    public boolean isZero() {
        return num == 0;
    }

    public boolean isWhole() {
        return den == 1;
    }

    /** −1, 0 or 1. */
    public int signum() {
        return Long.signum(num);
    }

    /** The nearest double; for drawing and for evaluating motion only, never for counting frames. */
    public double toDouble() {
        return (double) num / den;
    }

    @Override
    public int compareTo(Rational other) {
        if (den == other.den) {
            return Long.compare(num, other.num);
        }
        return Long.signum(minus(other).num);
    }

    public boolean isLessThan(Rational other) {
        return compareTo(other) < 0;
    }

    public static Rational min(Rational a, Rational b) {
        return a.compareTo(b) <= 0 ? a : b;
    }

    public static Rational max(Rational a, Rational b) {
        return a.compareTo(b) >= 0 ? a : b;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Rational r && num == r.num && den == r.den;
    }

    @Override
    public int hashCode() {
        return Long.hashCode(num) * 31 + Long.hashCode(den);
    }

    /** {@code "7"} or {@code "1001/24"}: the form of the command line and of stored files. */
    @Override
    public String toString() {
        return den == 1 ? Long.toString(num) : num + "/" + den;
    }

    private static long gcd(long a, long b) {
        while (b != 0) {
            long rest = a % b;
            a = b;
            b = rest;
        }
        return a == 0 ? 1 : a;
    }
}
