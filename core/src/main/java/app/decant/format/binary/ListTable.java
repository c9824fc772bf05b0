package app.decant.format.binary;

import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.ParagraphProperty;
import app.decant.document.TextProperty;
import app.decant.format.NumberCodes;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/** The lists of a file: how their levels are labelled (MS-DOC 2.9.150 LSTF, 2.9.151 LVL), and the lists that follow them (2.9.131 LFO). */
final class ListTable {
    private static final int LEVELS = 9;
    /** Set where numbers start again after another level than the one above (2.9.150, fNoRestart). */
    private static final int NO_USUAL_RESTART = 8;

    private final Numbering numbering;
    private final List<Numbering.Pattern> patterns;
    private final List<Numbering.NumberedList> lists;
    private final Map<String, Integer> numbers = new HashMap<>();

    ListTable(Numbering numbering) {
        this.numbering = numbering;
        patterns = List.copyOf(numbering.patterns().values());
        lists = numbering.lists().values().stream().filter(list -> numbering.patterns().containsKey(list.pattern())).toList();
        for (int i = 0; i < lists.size(); i++) numbers.put(lists.get(i).id(), i + 1);
    }

    /** The number of a list, from 1; 0 where it is none. */
    int number(String list) { return numbers.getOrDefault(list, 0); }

    boolean isEmpty() { return patterns.isEmpty(); }

    private static int id(int pattern) { return 0x4D5A0000 + pattern + 1; }

    /** The patterns, and right behind them their levels, which are not counted in the length that leads to them. */
    byte[] patterns() {
        Bytes table = new Bytes().two(patterns.size());
        for (int i = 0; i < patterns.size(); i++) {
            table.four(id(i)).four(id(i));
            for (int level = 0; level < LEVELS; level++) table.two(0x0FFF);
            table.one(0).one(0);
        }
        return table.toBytes();
    }

    byte[] levels(LookProperties looks) {
        Bytes bytes = new Bytes();
        for (Numbering.Pattern pattern : patterns) {
            for (int level = 0; level < LEVELS; level++)
                bytes.all(level(level < pattern.levels().size() ? pattern.levels().get(level) : new Numbering.Level(NumberFormat.NONE, 1, "",
                        Numbering.Suffix.NOTHING, null, null, Look.PLAIN), looks));
        }
        return bytes.toBytes();
    }

    private static byte[] level(Numbering.Level level, LookProperties looks) {
        byte[] paragraph = looks.paragraph(level.look().without(ParagraphProperty.LIST), list -> 0).toBytes();
        Look letters = level.look();
        byte[] text = looks.text(letters.without(TextProperty.LINK)).toBytes();
        StringBuilder label = new StringBuilder();
        List<Integer> places = new ArrayList<>();
        for (int i = 0; i < level.label().length(); i++) {
            char c = level.label().charAt(i);
            boolean count = c == '%' && i + 1 < level.label().length() && level.label().charAt(i + 1) >= '1' && level.label().charAt(i + 1) <= '9';
            if (count && places.size() < LEVELS) {
                label.append((char) (level.label().charAt(++i) - '1'));
                places.add(label.length());
            } else {
                label.append(c);
            }
        }
        boolean fixed = level.format() == NumberFormat.BULLET;
        Bytes bytes = new Bytes().four(level.start()).one(NumberCodes.code(level.format())).one(NumberCodes.code(level.standing()) | (level.legal() ? 4 : 0)
                | (level.restart() == null ? 0 : NO_USUAL_RESTART));
        for (int i = 0; i < LEVELS; i++) bytes.one(!fixed && i < places.size() ? places.get(i) : 0);
        bytes.one(level.suffix() == Numbering.Suffix.TAB ? 0 : level.suffix() == Numbering.Suffix.SPACE ? 1 : 2).four(0).four(0);
        bytes.one(text.length).one(paragraph.length).one(level.restart() == null ? 0 : level.restart()).one(0);
        return bytes.all(paragraph).all(text).two(label.length()).text(label.toString()).toBytes();
    }

    /** The lists, and what each changes about its pattern. */
    byte[] lists(LookProperties looks) {
        Bytes table = new Bytes().four(lists.size());
        Bytes changes = new Bytes();
        for (Numbering.NumberedList list : lists) {
            int pattern = patterns.indexOf(numbering.patterns().get(list.pattern()));
            TreeSet<Integer> changed = new TreeSet<>(list.starts().keySet());
            changed.addAll(list.changed().keySet());
            changed.removeIf(level -> level < 0 || level >= LEVELS);
            table.four(id(pattern)).four(0).four(0).one(changed.size()).one(0).one(0).one(0);
            changes.four(0xFFFFFFFFL);
            for (int level : changed) {
                Integer start = list.starts().get(level);
                Numbering.Level other = list.changed().get(level);
                changes.four(start == null ? other.start() : start).four(level | (start != null ? 0x10 : 0) | (other != null ? 0x20 : 0));
                if (other != null) changes.all(level(other, looks));
            }
        }
        return table.all(changes).toBytes();
    }
}
