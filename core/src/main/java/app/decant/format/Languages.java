package app.decant.format;

import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/** Language numbers (MS-LCID) of the languages that documents are most often in. */
public final class Languages {
    private static final Map<String, Integer> NUMBERS = Map.ofEntries(Map.entry("en-US", 0x0409), Map.entry("en-GB", 0x0809), Map.entry("en", 0x0409),
            Map.entry("de-DE", 0x0407), Map.entry("de", 0x0407), Map.entry("de-AT", 0x0C07),
            Map.entry("de-CH", 0x0807), Map.entry("fr-FR", 0x040C), Map.entry("fr", 0x040C), Map.entry("es-ES", 0x0C0A), Map.entry("es", 0x0C0A),
                    Map.entry("it-IT", 0x0410), Map.entry("it", 0x0410), Map.entry("nl-NL", 0x0413),
            Map.entry("nl", 0x0413), Map.entry("pt-PT", 0x0816), Map.entry("pt-BR", 0x0416), Map.entry("da-DK", 0x0406), Map.entry("sv-SE", 0x041D),
                    Map.entry("nb-NO", 0x0414), Map.entry("fi-FI", 0x040B), Map.entry("pl-PL", 0x0415),
            Map.entry("cs-CZ", 0x0405), Map.entry("hu-HU", 0x040E), Map.entry("ru-RU", 0x0419), Map.entry("uk-UA", 0x0422), Map.entry("el-GR", 0x0408),
                    Map.entry("tr-TR", 0x041F), Map.entry("ar-SA", 0x0401), Map.entry("he-IL", 0x040D),
            Map.entry("zh-CN", 0x0804), Map.entry("zh-TW", 0x0404), Map.entry("ja-JP", 0x0411), Map.entry("ko-KR", 0x0412));
    private static final Map<Integer, String> CODES = NUMBERS.entrySet().stream().filter(entry -> entry.getKey().contains("-"))
            .collect(Collectors.toMap(Map.Entry::getValue, Map.Entry::getKey));

    private Languages() { }

    /** The number of a language such as {@code en-GB}, or 0. */
    public static int number(String code) {
        Integer exact = NUMBERS.get(code);
        if (exact != null) return exact;
        return NUMBERS.getOrDefault(Locale.forLanguageTag(code).getLanguage(), 0);
    }

    /** The language of a number, or null. */
    public static String code(int number) { return CODES.get(number); }
}
