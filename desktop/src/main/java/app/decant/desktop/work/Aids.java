package app.decant.desktop.work;

import app.decant.edit.TypingAids.Aid;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;

/** Which helps while typing are wanted; all are, until one is switched off. */
public final class Aids {
    private final Settings settings;

    Aids(Settings settings) { this.settings = settings; }

    public boolean isOn(Aid aid) { return !settings.flag(key(aid)); }

    public void turn(Aid aid, boolean on) {
        settings.set(key(aid), !on);
        settings.save();
    }

    public Set<Aid> wanted() {
        Set<Aid> wanted = EnumSet.noneOf(Aid.class);
        for (Aid aid : Aid.values()) if (isOn(aid)) wanted.add(aid);
        return wanted;
    }

    private static String key(Aid aid) { return "unaided." + aid.name().toLowerCase(Locale.ROOT); }
}
