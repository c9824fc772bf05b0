package app.decant.sheet;

/**
 * What a workbook is kept from as a whole (ISO/IEC 29500-1, 18.2.12 and 18.2.29). It keeps nobody from reading.
 *
 * @param structure whether its sheets are not to be put in, taken out, moved or called otherwise
 * @param windows   whether its windows stay as they are
 * @param pass      what opens that
 * @param advised   whether whoever opens it is asked to only read
 * @param writer    by whom writing is reserved; null for nobody
 * @param writing   what lets others write
 */
public record WorkbookLock(boolean structure, boolean windows, Pass pass, boolean advised, String writer, Pass writing) {
    public static final WorkbookLock NONE = new WorkbookLock(false, false, Pass.FREE, false, null, Pass.FREE);

    /**
     * A password, as far as files tell it.
     *
     * @param key      what it is held to; null where that is not told
     * @param shortKey the same as older files tell it, in 15 bits; 0 for none
     */
    public record Pass(SheetLock.Key key, int shortKey) {
        public static final Pass FREE = new Pass(null, 0);

        public boolean isNeeded() { return key != null || shortKey != 0; }
    }

    /** Whether its structure or windows are locked. */
    public boolean isLocked() { return structure || windows; }

    /** Whether writing it over is advised against, or reserved. */
    public boolean isReserved() { return advised || writer != null || writing.isNeeded(); }
}
