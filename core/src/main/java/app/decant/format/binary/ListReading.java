package app.decant.format.binary;

import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.format.NumberCodes;
import app.decant.format.binary.Modifiers.Modifier;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import org.apache.poi.hwpf.model.LFO;
import org.apache.poi.hwpf.model.LFOData;
import org.apache.poi.hwpf.model.ListData;
import org.apache.poi.hwpf.model.ListFormatOverrideLevel;
import org.apache.poi.hwpf.model.ListLevel;
import org.apache.poi.hwpf.model.ListTables;

/** Reads how lists are labelled (MS-DOC 2.9.150, 2.9.151, 2.9.131). */
final class ListReading {
    private static final int MOST = 4096;

    private ListReading() { }

    static Numbering of(ListTables tables, LookReading looks) {
        Map<String, Numbering.Pattern> patterns = new LinkedHashMap<>();
        Map<String, Numbering.NumberedList> lists = new LinkedHashMap<>();
        if (tables == null) return Numbering.NONE;
        for (int number = 1; number < MOST; number++) {
            LFO list;
            LFOData changes;
            try {
                list = tables.getLfo(number);
                changes = tables.getLfoData(number);
            } catch (NoSuchElementException e) {
                // The table tells its end only so.
                break;
            }
            ListData data = tables.getListData(list.getLsid());
            if (data == null) continue;
            String pattern = Integer.toHexString(list.getLsid());
            patterns.computeIfAbsent(pattern, id -> new Numbering.Pattern(id, levels(data, looks)));
            Map<Integer, Integer> starts = new LinkedHashMap<>();
            Map<Integer, Numbering.Level> changed = new LinkedHashMap<>();
            if (changes != null && changes.getRgLfoLvl() != null) {
                for (ListFormatOverrideLevel level : changes.getRgLfoLvl()) {
                    if (level == null || level.getLevelNum() > 8) continue;
                    if (level.isStartAt()) starts.put(level.getLevelNum(), level.getIStartAt());
                    if (level.isFormatting() && level.getLevel() != null) changed.put(level.getLevelNum(), level(level.getLevel(), looks));
                }
            }
            lists.put(String.valueOf(number), new Numbering.NumberedList(String.valueOf(number), pattern, starts, changed));
        }
        return new Numbering(patterns, lists);
    }

    private static List<Numbering.Level> levels(ListData data, LookReading looks) {
        List<Numbering.Level> levels = new ArrayList<>();
        for (int i = 0; i < data.getLevels().length; i++) levels.add(level(data.getLevels()[i], looks));
        return levels;
    }

    private static Numbering.Level level(ListLevel level, LookReading looks) {
        List<Modifier> paragraph = Modifiers.in(level.getGrpprlPapx(), 0);
        List<Modifier> text = Modifiers.in(level.getGrpprlChpx(), 0);
        Look look = looks.text(text).over(looks.paragraph(paragraph, list -> null));
        String told = level.getNumberText() == null ? "" : level.getNumberText();
        NumberFormat format = NumberCodes.format(level.getNumberFormat() & 0xFF);
        Numbering.Suffix suffix = level.getTypeOfCharFollowingTheNumber() == 0 ? Numbering.Suffix.TAB : level.getTypeOfCharFollowingTheNumber() == 1
                ? Numbering.Suffix.SPACE : Numbering.Suffix.NOTHING;
        int flags = level.toByteArray()[5];
        boolean unusual = (flags & 8) != 0;
        Integer restart = unusual ? (Integer) (level.getRestart() & 0xFF) : null;
        return new Numbering.Level(format, level.getStartAt(), NumberCodes.label(format, told), suffix, restart, null, look, (flags & 4) != 0,
                NumberCodes.standing(flags & 3));
    }

}
