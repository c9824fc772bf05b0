package app.decant.page;

/** What pages are counted as where some come between others. */
public final class PageNumbers {
    private PageNumbers() { }

    /**
     * The number of a page that is put in behind another: the next, or where that is taken the same with a letter, as loose sheets are counted; common
     * practice.
     *
     * @param last whether no page follows that has the next number
     */
    public static String behind(String number, boolean last) {
        if (last && number.matches("\\d{1,8}")) return Integer.toString(Integer.parseInt(number) + 1);
        // A second one behind the same.
        boolean lettered = number.matches("\\d+[a-y]");
        return lettered ? number.substring(0, number.length() - 1) + (char) (number.charAt(number.length() - 1) + 1) : number + "a";
    }
}
