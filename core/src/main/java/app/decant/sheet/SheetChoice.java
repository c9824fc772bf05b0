package app.decant.sheet;

import app.decant.document.DecantException;
import app.decant.document.DecantException.Kind;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What of a workbook is put onto pages, and how.
 *
 * @param sheets     by name, in the order in which they are wished; empty for all that are not hidden
 * @param areas      as people write them, such as {@code Fares!B2:G40} or a defined name; empty for each sheet's own
 * @param everything whether areas that sheets say themselves are passed over
 * @param fit        how it is made to fit
 */
public record SheetChoice(List<String> sheets, List<String> areas, boolean everything, Fit fit) {
    public static final SheetChoice AS_SET_UP = new SheetChoice(List.of(), List.of(), false, Fit.AS_SET_UP);
    private static final Pattern PAGES = Pattern.compile("(\\d{1,3}|-)x(\\d{1,3}|-)");
    private static final Pattern SCALE = Pattern.compile("(\\d{2,3})%");

    public SheetChoice {
        sheets = List.copyOf(sheets);
        areas = List.copyOf(areas);
    }

    /**
     * How sheets are made to fit their pages.
     *
     * @param wide  pages side by side, 0 for as many as it takes
     * @param tall  pages one under another, likewise
     * @param scale where it is none of both; 0 for what the sheet says
     */
    public record Fit(int wide, int tall, double scale) {
        public static final Fit AS_SET_UP = new Fit(0, 0, 0);
        public static final Fit ONE_WIDE = new Fit(1, 0, 0);
        public static final Fit ONE_PAGE = new Fit(1, 1, 0);

        PageSetup on(PageSetup setup) {
            if (wide > 0 || tall > 0) return setup.fitted(wide, tall);
            return scale > 0 ? setup.scaled(scale) : setup;
        }

        /**
         * As people write it: {@code as-set-up}, {@code one-wide}, {@code one-page}, {@code 2x3} pages, {@code 1x-} for one wide, {@code 80%}.
         *
         * @throws DecantException where it is none of these
         */
        public static Fit of(String written) {
            switch (written) {
                case "as-set-up": return AS_SET_UP;
                case "one-wide": return ONE_WIDE;
                case "one-page": return ONE_PAGE;
                default:
            }
            Matcher pages = PAGES.matcher(written);
            if (pages.matches()) return new Fit(number(pages.group(1)), number(pages.group(2)), 0);
            Matcher scale = SCALE.matcher(written);
            if (scale.matches()) return new Fit(0, 0, Integer.parseInt(scale.group(1)) / 100.0);
            throw new DecantException(Kind.WRONG_CALL, Message.of("sheet.no-such-fit", written));
        }

        /** How people write it. */
        public String word() {
            if (equals(AS_SET_UP)) return "as-set-up";
            if (equals(ONE_WIDE)) return "one-wide";
            if (equals(ONE_PAGE)) return "one-page";
            return wide > 0 || tall > 0 ? (wide == 0 ? "-" : wide) + "x" + (tall == 0 ? "-" : tall) : Math.round(scale * 100) + "%";
        }

        private static int number(String digits) { return digits.equals("-") ? 0 : Integer.parseInt(digits); }
    }

    /** A sheet, and how it is put onto paper. */
    record Wished(Sheet sheet, PageSetup setup) { }

    /**
     * Looks whether a workbook has what is wished for.
     *
     * @throws DecantException where a name leads nowhere
     */
    public void check(Workbook workbook) { of(workbook); }

    /**
     * The sheets that are wished for, each with its pages.
     *
     * @throws DecantException where a name leads nowhere
     */
    List<Wished> of(Workbook workbook) {
        List<Wished> wished = new ArrayList<>();
        if (areas.isEmpty()) {
            for (Sheet sheet : shown(workbook)) wished.add(new Wished(sheet, fit.on(everything ? sheet.setup().withAreas(List.of()) : sheet.setup())));
            return wished;
        }
        for (String area : areas) wished.addAll(area(workbook, area, 0));
        return wished;
    }

    /** The sheets that are wished for; all of them, hidden ones too, where none is named and the workbook stays one. */
    public List<Sheet> chosen(Workbook workbook) { return sheets.isEmpty() ? workbook.sheets() : shown(workbook); }

    private List<Sheet> shown(Workbook workbook) {
        if (sheets.isEmpty()) return workbook.sheets().stream().filter(sheet -> !sheet.hidden()).toList();
        List<Sheet> chosen = new ArrayList<>();
        for (String name : sheets) {
            Sheet sheet = workbook.sheet(name);
            if (sheet == null) throw new DecantException(Kind.WRONG_CALL, Message.of("sheet.no-such-sheet", name, names(workbook)));
            chosen.add(sheet);
        }
        return chosen;
    }

    private static String names(Workbook workbook) { return String.join(", ", workbook.sheets().stream().map(Sheet::name).toList()); }

    private List<Wished> area(Workbook workbook, String written, int depth) {
        int mark = written.lastIndexOf('!');
        String name = mark < 0 ? null : written.substring(0, mark).replaceAll("^'|'$", "").replace("''", "'");
        Range range = Range.of(written.substring(mark + 1));
        Sheet sheet = name == null ? null : workbook.sheet(name);
        if (range == null && name == null && depth == 0 && defined(workbook, written) != null) {
            List<Wished> all = new ArrayList<>();
            for (String part : defined(workbook, written).split(",")) all.addAll(area(workbook, part.strip(), 1));
            return all;
        }
        if (range == null) throw new DecantException(Kind.WRONG_CALL, Message.of("sheet.no-such-area", written));
        if (name != null && sheet == null) throw new DecantException(Kind.WRONG_CALL, Message.of("sheet.no-such-sheet", name, names(workbook)));
        List<Sheet> all = sheet != null ? List.of(sheet) : shown(workbook);
        return all.stream().map(one -> new Wished(one, fit.on(one.setup().withAreas(List.of(range))))).toList();
    }

    private static String defined(Workbook workbook, String name) {
        return workbook.names().entrySet().stream().filter(entry -> entry.getKey().equalsIgnoreCase(name) || entry.getKey().toLowerCase(Locale.ROOT)
                .endsWith("!" + name.toLowerCase(Locale.ROOT))).map(Map.Entry::getValue).findFirst().orElse(null);
    }
}
