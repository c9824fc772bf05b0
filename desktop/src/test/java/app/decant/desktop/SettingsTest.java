package app.decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.desktop.work.Settings;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is remembered may be spoiled, by a full disk or by hand: the program starts all the same. */
class SettingsTest {
    private static final Pattern VALUE = Pattern.compile("(?<=: )[^,\\[]+?(?=,?\\n)");
    private static final String[] VALUES = {"null", "-1", "1e308", "-1e308", "99999999999999999999", "\"NaN\"", "\"\\u0000\"", "\"\\uD800\"", "{}", "[[]]",
        "\"" + "a".repeat(5000) + "\"", "\"::\"", "true", "\"~\"", "[".repeat(5000)};

    @Test void whateverTheFileHoldsTheProgramStartsAndKeepsAnew(@TempDir Path folder) throws IOException {
        Path file = folder.resolve("settings.json");
        Settings first = Settings.kept(file);
        for (String name : new String[] {"x", "y", "width", "height"}) first.set(name, 120.5);
        for (String name : new String[] {"publishFolder", "folderFrom", "folderInto"}) first.set(name, folder.toString());
        first.set("dark", true);
        first.opened(folder.resolve("Fares.docx"));
        byte[] whole = Files.readAllBytes(file);
        Random random = new Random(11);
        for (int i = 0; i < 2000; i++) {
            Files.write(file, spoiled(whole, random));
            Settings spoiled = Settings.kept(file);
            for (String name : new String[] {"x", "y", "width", "height"}) assertThat(spoiled.number(name, 7)).isBetween(-100_000.0, 100_000.0);
            for (String name : new String[] {"publishFolder", "folderFrom", "folderInto"}) assertThat(spoiled.folders(name)).allMatch(Files::isDirectory);
            assertThat(spoiled.recent()).allMatch(Files::exists);
            spoiled.flag("dark");
            spoiled.opened(folder.resolve("Rota.docx"));
            assertThat(Settings.kept(file).text("openFolder", null)).as("case %d", i).isEqualTo(folder.toString());
        }
        assertThat(folder.toFile().list()).as("nothing else was written").containsExactly("settings.json");
    }

    private static byte[] spoiled(byte[] whole, Random random) {
        if (random.nextBoolean()) {
            String text = new String(whole, StandardCharsets.UTF_8);
            MatchResult[] values = VALUE.matcher(text).results().toArray(MatchResult[]::new);
            MatchResult one = values[random.nextInt(values.length)];
            return (text.substring(0, one.start()) + VALUES[random.nextInt(VALUES.length)] + text.substring(one.end())).getBytes(StandardCharsets.UTF_8);
        }
        byte[] made = random.nextInt(4) == 0 ? Arrays.copyOf(whole, random.nextInt(whole.length)) : whole.clone();
        for (int i = random.nextInt(6); i > 0 && made.length > 0; i--) made[random.nextInt(made.length)] = (byte) random.nextInt();
        return made;
    }
}
