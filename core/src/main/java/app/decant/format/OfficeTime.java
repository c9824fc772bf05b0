package app.decant.format;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import org.slf4j.LoggerFactory;

/** Times to the minute in one number, as rich text and the binary format tell them ([MS-DOC], 2.9.62); without a zone, taken as universal time. */
public final class OfficeTime {
    private static final int CENTURY = 1900;

    private OfficeTime() { }

    /** The time of a number; null for none, or where it is none. */
    public static Instant of(int number) {
        if (number == 0) return null;
        try {
            return LocalDateTime.of(CENTURY + (number >>> 20 & 0x1FF), number >>> 16 & 0xF, number >>> 11 & 0x1F, number >>> 6 & 0x1F, number & 0x3F)
                    .toInstant(ZoneOffset.UTC);
        } catch (DateTimeException e) {
            LoggerFactory.getLogger(OfficeTime.class).debug("A time that is none: {}", number, e);
            return null;
        }
    }

    /** The number of a time; 0 for none, and for years it can't hold. */
    public static int number(Instant time) {
        if (time == null) return 0;
        ZonedDateTime at = time.atZone(ZoneOffset.UTC);
        if (at.getYear() < CENTURY || at.getYear() - CENTURY > 0x1FF) return 0;
        return at.getMinute() | at.getHour() << 6 | at.getDayOfMonth() << 11 | at.getMonthValue() << 16 | at.getYear() - CENTURY << 20
                | at.getDayOfWeek().getValue() % 7 << 29;
    }
}
