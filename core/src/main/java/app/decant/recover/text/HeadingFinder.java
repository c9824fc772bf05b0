package app.decant.recover.text;

import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.SourceFile;
import app.decant.recover.line.Chunk;
import app.decant.recover.line.ListLabel;
import app.decant.recover.region.DrawnSigns;
import app.decant.recover.region.FieldPlaces;
import app.decant.recover.region.PageMatter;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Tells headings and their levels from everything that speaks for one: tags, bookmarks, numbering, size and weight, distance, and their neighbours. A
 * numbered series is completed: where 4.2 and 4.4 are headings, a short paragraph between them that begins with 4.3 is one too.
 */
public final class HeadingFinder {
    private static final Pattern NUMBERED =
            Pattern.compile("^(?:(?i:chapter|part|appendix|section|annex|kapitel|chapitre)\\s+)?((?:\\d{1,3}|[A-Z])(?:\\.\\d{1,3})*)[.)]?[\\s\u00A0]+(?=\\S)");
    private static final int LONGEST = 220;

    private final List<Para> paras;
    /** Text is no larger than this, beside what stands in its tables. */
    private static final double PLAIN = 1.35;

    private final List<SourceFile.Bookmark> bookmarks;
    private final double bodySize;
    private final Glyph body;
    private final Map<Para, Para> before = new IdentityHashMap<>();

    public HeadingFinder(List<Para> paras, List<SourceFile.Bookmark> bookmarks, Glyph body) {
        this.paras = paras;
        this.bookmarks = bookmarks;
        this.body = body;
        this.bodySize = body == null ? 10 : body.size();
        for (int i = 1; i < paras.size(); i++) before.put(paras.get(i), paras.get(i - 1));
    }

    /** A look by which headings of one level are alike. */
    private record Look(long size, boolean bold, boolean italic, int rgb, String family, boolean capitals) {
        static Look of(Para para) {
            Glyph glyph = para.typical();
            String text = para.text();
            boolean capitals = text.equals(text.toUpperCase(Locale.ROOT)) && text.chars().filter(Character::isLetter).count() > 2;
            return new Look(Math.round(glyph.size() * 2), glyph.face().bold(), glyph.face().italic(), glyph.rgb(), glyph.face().family(), capitals);
        }

        double weight() { return size * 10 + (bold ? 6 : 0) + (capitals ? 3 : 0) - (italic ? 1 : 0) + (rgb != 0 ? 1 : 0); }
    }

    /** The look that most letters have; that of tables where there is little else. */
    public static Glyph body(List<Para> paras, List<PageMatter> pages) {
        int letters = paras.stream().mapToInt(para -> para.text().length()).sum();
        List<Chunk> cells = pages.stream().flatMap(page -> page.tables().stream()).flatMap(table -> table.cells().stream())
                .flatMap(cell -> cell.chunks().stream()).toList();
        Glyph most = body(paras);
        if (letters >= 200 || cells.size() < 5) return most;
        Glyph cell = cells.get(cells.size() / 2).first();
        // A few plain lines round a table are its text, though they are larger than what stands in that.
        boolean plain = most != null && !most.face().bold() && most.size() < PLAIN * cell.size()
                && paras.stream().filter(para -> key(para.typical()).equals(key(most))).count() > 1;
        return plain ? most : cell;
    }

    private static String key(Glyph glyph) {
        return glyph.face().family() + Math.round(glyph.size() * 2) + glyph.face().bold() + glyph.rgb();
    }

    private static Glyph body(List<Para> paras) {
        Map<String, Integer> counts = new HashMap<>();
        Map<String, Glyph> samples = new HashMap<>();
        for (Para para : paras) {
            Glyph glyph = para.typical();
            String key = key(glyph);
            counts.merge(key, para.text().length() * Math.min(3, para.lines().size()), Integer::sum);
            samples.putIfAbsent(key, glyph);
        }
        return counts.entrySet().stream().max(Map.Entry.<String, Integer>comparingByValue().thenComparing(Map.Entry::getKey))
                .map(entry -> samples.get(entry.getKey())).orElse(null);
    }

    double bodySize() { return bodySize; }

    public void find() {
        if (body == null) return;
        boolean told = byTags();
        boolean marked = byBookmarks();
        if (!told) {
            byLook(marked);
            spareBylines();
        }
        complete();
        limitLevels();
    }

    /** Authors and dates under a title are larger than the text, too; they head nothing: nothing else looks like them. */
    private void spareBylines() {
        for (int i = 0; i < paras.size(); i++) {
            if (!paras.get(i).isTitle()) continue;
            int end = i + 1;
            while (end < paras.size() && isByline(paras.get(end), paras.get(i))) end++;
            List<Para> lines = paras.subList(i + 1, end);
            for (Para line : lines)
                if (paras.stream().noneMatch(para -> para.headingLevel() > 0 && !lines.contains(para) && Look.of(para).equals(Look.of(line)))) line.heading(0);
            return;
        }
    }

    private static boolean isByline(Para para, Para title) {
        return para.headingLevel() > 0 && Math.abs(para.left() + para.right() - title.left() - title.right()) < 6 && !para.typical().face().bold();
    }

    private boolean byTags() {
        int found = 0;
        for (Para para : paras) {
            int level = para.tag() == null ? 0 : para.tag().headingLevel();
            if (level > 0) {
                para.heading(level);
                found++;
            } else if (para.tag() != null && para.tag().within("Title") != null) {
                para.title(true);
            }
        }
        return found > 0;
    }

    /** Bookmarks name headings: a paragraph of the same words near where one leads. */
    private boolean byBookmarks() {
        int found = 0;
        int from = 0;
        for (SourceFile.Bookmark bookmark : bookmarks) {
            String wanted = squeezed(bookmark.title());
            if (wanted.isEmpty()) continue;
            int best = -1;
            for (int pass = 0; pass < 2 && best < 0; pass++) {
                for (int i = pass == 0 ? from : 0; i < paras.size() && best < 0; i++) {
                    Para para = paras.get(i);
                    if (Math.abs(para.page() - bookmark.target().page()) > (pass == 0 ? 0 : 1) || para.text().length() > LONGEST + 80) continue;
                    String text = squeezed(para.text());
                    if (text.equals(wanted) || text.endsWith(wanted) && text.length() - wanted.length() < 12 || wanted.endsWith(text) && text.length() > 4
                            && wanted.length() - text.length() < 12) best = i;
                }
            }
            if (best < 0) continue;
            if (paras.get(best).headingLevel() == 0) paras.get(best).heading(bookmark.level());
            from = best;
            found++;
        }
        return found > 0;
    }

    private static String squeezed(String text) {
        return Normalizer.normalize(text, Normalizer.Form.NFKC).replaceAll("[\\s\u00AD]+", "").toLowerCase(Locale.ROOT);
    }

    private void byLook(boolean marked) {
        Map<Look, List<Para>> looks = new HashMap<>();
        for (Para para : paras) {
            if (para.headingLevel() == 0 && !isCandidate(para)) continue;
            looks.computeIfAbsent(Look.of(para), key -> new ArrayList<>()).add(para);
        }
        if (marked) {
            markTitle(looks);
            // Bookmarks told the levels of some; what looks like them has the same.
            Map<Look, Map<Integer, Integer>> levels = new HashMap<>();
            looks.forEach((look, some) -> some.stream().filter(para -> para.headingLevel() > 0)
                    .forEach(para -> levels.computeIfAbsent(look, key -> new HashMap<>()).merge(para.headingLevel(), 1, Integer::sum)));
            looks.forEach((look, some) -> {
                Map<Integer, Integer> known = levels.get(look);
                if (known == null) return;
                int level = known.entrySet().stream().max(Map.Entry.comparingByValue()).orElseThrow().getKey();
                for (Para para : some) if (para.headingLevel() == 0 && (numberDepth(para) > 0) == some.stream().filter(one -> one.headingLevel() > 0)
                        .allMatch(one -> numberDepth(one) > 0)) para.heading(level);
            });
            return;
        }
        List<Look> order = new ArrayList<>(looks.keySet());
        order.sort(Comparator.comparingDouble(Look::weight).reversed());
        takeTitle(looks, order);
        int level = 0;
        Map<Integer, Integer> levelOfDepth = new HashMap<>();
        for (Look look : order) {
            List<Para> some = looks.get(look);
            if (some.isEmpty()) continue;
            List<Integer> depths = some.stream().map(HeadingFinder::numberDepth).filter(depth -> depth > 0).distinct().sorted().toList();
            level++;
            int own = level;
            if (depths.size() == 1 && levelOfDepth.containsKey(depths.get(0))) own = level = levelOfDepth.get(depths.get(0));
            for (int depth : depths) levelOfDepth.putIfAbsent(depth, own + depth - depths.get(0));
            for (Para para : some) {
                int depth = numberDepth(para);
                para.heading(depth > 0 ? levelOfDepth.get(depth) : own);
            }
            for (int known : levelOfDepth.values()) level = Math.max(level, Math.min(known, own + depths.size()));
        }
    }

    /** Where bookmarks tell the headings, a larger line before all of them is the title. */
    private void markTitle(Map<Look, List<Para>> looks) {
        Para first = paras.stream().filter(para -> para.headingLevel() > 0).findFirst().orElse(null);
        if (first == null) return;
        double largest = paras.stream().filter(para -> para.headingLevel() > 0).mapToDouble(Para::size).max().orElse(0);
        for (List<Para> some : looks.values()) {
            Para para = some.get(0);
            if (some.size() == 1 && para.headingLevel() == 0 && para.page() == 0 && para.size() > 1.2 * largest && paras.indexOf(para) < paras.indexOf(first))
                para.title(true);
        }
    }

    /** The one largest line at the start is the document's title where other headings follow in smaller looks. */
    private void takeTitle(Map<Look, List<Para>> looks, List<Look> order) {
        if (order.size() < 2) return;
        Look first = order.get(0);
        List<Para> some = looks.get(first);
        if (some.size() != 1 || some.get(0).page() != 0 || numberDepth(some.get(0)) > 0 || first.size() <= order.get(1).size()) return;
        Para para = some.get(0);
        boolean leads = paras.indexOf(para) < 4;
        boolean numberedBelow = looks.get(order.get(1)).stream().filter(other -> numberDepth(other) == 1).count() > 1;
        if (!leads || !numberedBelow) return;
        para.title(true);
        looks.put(first, List.of());
    }

    /** 1 for "4", 2 for "4.3" and so on; 0 for what has no number. */
    private static int numberDepth(Para para) {
        Matcher matcher = NUMBERED.matcher(para.text().replace('\t', ' '));
        return matcher.find() && (Character.isDigit(matcher.group(1).charAt(0)) || matcher.group(1).contains(".") || matcher.start(1) > 0) ? matcher.group(1)
                .split("\\.").length : 0;
    }

    private boolean isCandidate(Para para) {
        String text = para.text().trim();
        if (text.length() > LONGEST || text.length() < 2 || para.lines().size() > 4 || para.isContentsEntry()) return false;
        if (text.chars().filter(Character::isLetter).count() < Math.max(1, text.length() / 4)) return false;
        // What is to be ticked or filled in is no heading, whatever letters a form is set in.
        if (text.matches(".*[,;]$") || ListLabel.isBullet(text) || DrawnSigns.begins(text) || para.text().contains(FieldPlaces.BLANK)) return false;
        double size = para.size();
        boolean larger = size > 1.09 * bodySize;
        if (size < 0.93 * bodySize && numberDepth(para) == 0) return false;
        boolean wholeBold = para.share(glyph -> glyph.face().bold()) > 0.95 && !body.face().bold();
        boolean otherColour = para.share(glyph -> glyph.rgb() != body.rgb()) > 0.95 && para.share(glyph -> glyph.link() != null) < 0.5;
        boolean otherFamily = para.share(glyph -> !glyph.face().family().equals(body.face().family())) > 0.95;
        boolean italic = para.share(glyph -> glyph.face().italic()) > 0.95 && !body.face().italic();
        boolean capitals = text.equals(text.toUpperCase(Locale.ROOT)) && text.chars().filter(Character::isLetter).count() > 3;
        boolean sentence = text.endsWith(".") && !text.matches("^[\\dA-Z][\\d.]*\\.?\\s?\\S*$") && text.length() > 40;
        // Where most is said in small print, such as the cells of a table, a sentence in larger letters is plain text.
        if (sentence && (!larger || size < 1.3 * bodySize && !wholeBold)) return false;
        boolean apart = isApart(para);
        boolean numbered = numberDepth(para) > 0;
        if (larger) return true;
        if (wholeBold) return (apart || numbered) && !text.endsWith(":") || para.lines().size() == 1 && apart;
        if ((otherColour || otherFamily || capitals) && para.lines().size() <= 2) return apart && !text.endsWith(".");
        return italic && numbered && para.lines().size() <= 2 && apart && !text.endsWith(".");
    }

    /** Whether there is more room above it than between lines, or nothing above it on its page. */
    private boolean isApart(Para para) {
        Para above = before.get(para);
        if (above == null || above.page() != para.page() || above.last().baseline() > para.first().baseline()) return true;
        return para.first().baseline() - above.last().baseline() > 1.35 * Math.max(para.size(), Math.min(above.size(), bodySize));
    }

    /** Fills holes in numbered series. */
    private void complete() {
        List<Para> numbered = paras.stream().filter(para -> para.headingLevel() > 0 && numberDepth(para) > 0).toList();
        for (int i = 1; i < numbered.size(); i++) {
            int[] here = parts(numbered.get(i));
            Para previous = null;
            for (int k = i - 1; k >= 0 && previous == null; k--) if (parts(numbered.get(k)).length == here.length) previous = numbered.get(k);
            if (previous == null) {
                fill(paras.get(0), numbered.get(i), here, 0);
                continue;
            }
            int[] there = parts(previous);
            boolean sameStem = Arrays.equals(here, 0, here.length - 1, there, 0, there.length - 1);
            fill(previous, numbered.get(i), here, sameStem ? there[there.length - 1] : 0);
        }
        // The last of a series may be the odd one: 4.1, 4.2 headings, 4.3 in another look.
        for (Para para : numbered) {
            int[] next = parts(para).clone();
            next[next.length - 1]++;
            boolean known = numbered.stream().anyMatch(other -> Arrays.equals(parts(other), next));
            if (!known && next[next.length - 1] > 2) promote(paras.indexOf(para) + 1, end(para), next, para.headingLevel());
        }
    }

    private int end(Para para) {
        for (int i = paras.indexOf(para) + 1; i < paras.size(); i++)
            if (paras.get(i).headingLevel() > 0 && paras.get(i).headingLevel() <= para.headingLevel()) return i;
        return paras.size();
    }

    private void fill(Para from, Para to, int[] number, int last) {
        for (int missing = last + 1; missing < number[number.length - 1] && missing <= last + 12; missing++) {
            int[] wanted = number.clone();
            wanted[wanted.length - 1] = missing;
            promote(paras.indexOf(from) + (last == 0 ? 0 : 1), paras.indexOf(to), wanted, to.headingLevel());
        }
    }

    private void promote(int from, int to, int[] number, int level) {
        String text = Arrays.stream(number).mapToObj(Integer::toString).reduce((a, b) -> a + "." + b).orElseThrow();
        Pattern pattern = Pattern.compile("^" + Pattern.quote(text) + "[.)]?[\\s\u00A0].*");
        for (int i = from; i < to; i++) {
            Para para = paras.get(i);
            String own = para.text().trim();
            if (para.headingLevel() > 0 || para.lines().size() > 2 || own.length() > 120 || para.isContentsEntry() || !pattern.matcher(own).matches()) continue;
            if (number.length == 1 && !isApart(para)) continue;
            para.heading(level);
            return;
        }
    }

    private static int[] parts(Para para) {
        Matcher matcher = NUMBERED.matcher(para.text().replace('\t', ' '));
        if (!matcher.find() || !Character.isDigit(matcher.group(1).charAt(0))) return new int[] {0};
        return Arrays.stream(matcher.group(1).split("\\.")).mapToInt(Integer::parseInt).toArray();
    }

    private void limitLevels() {
        for (Para para : paras) if (para.headingLevel() > 6) para.heading(6);
    }
}
