package app.decant.desktop;

import app.decant.Decant;
import app.decant.document.DecantException;
import app.decant.publish.Guard;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.slf4j.LoggerFactory;

/** What is remembered from one time to the next: the window's place, recent files, folders, light or dark. */
final class Settings {
    private static final int RECENT = 8;
    private final ObjectMapper mapper = new ObjectMapper();
    private final Path file;
    private ObjectNode values;

    private Settings(Path file) {
        this.file = file;
        this.values = read();
    }

    static Settings ofThisUser() { return new Settings(Decant.home().resolve("settings.json")); }

    /** Settings that begin empty and are never written. */
    static Settings forgetful() { return new Settings(null); }

    private ObjectNode read() {
        if (file == null || !Files.exists(file)) return mapper.createObjectNode();
        try {
            return mapper.readTree(Files.readString(file)) instanceof ObjectNode node ? node : mapper.createObjectNode();
        } catch (IOException e) {
            LoggerFactory.getLogger(Settings.class).warn("The settings can't be read; starting with fresh ones", e);
            return mapper.createObjectNode();
        }
    }

    boolean isForgetful() { return file == null; }
    double number(String name, double otherwise) { return values.path(name).asDouble(otherwise); }
    String text(String name, String otherwise) { return values.path(name).asText(otherwise); }
    boolean flag(String name) { return values.path(name).asBoolean(false); }

    void set(String name, double value) { values.put(name, value); }
    void set(String name, boolean value) { values.put(name, value); }
    void set(String name, String value) { values.put(name, value); }

    /** Recent files that are still there, the newest first. */
    List<Path> recent() {
        List<Path> files = new ArrayList<>();
        values.path("recent").forEach(node -> {
            try {
                Path path = Path.of(node.asText());
                if (Files.exists(path)) files.add(path);
            } catch (InvalidPathException e) {
                LoggerFactory.getLogger(Settings.class).info("A recent file that is none is passed over", e);
            }
        });
        return files;
    }

    void opened(Path path) {
        List<Path> files = recent();
        Path whole = path.toAbsolutePath().normalize();
        files.remove(whole);
        files.add(0, whole);
        ArrayNode array = values.putArray("recent");
        for (Path one : files.subList(0, Math.min(RECENT, files.size()))) array.add(one.toString());
        set("openFolder", String.valueOf(whole.getParent()));
        save();
    }

    void save() {
        if (file == null) return;
        try {
            byte[] bytes = mapper.writerWithDefaultPrettyPrinter().writeValueAsBytes(values);
            SafeFile.write(file, Recipe.WhenPresent.REPLACE, Guard.OWN, out -> out.write(bytes), SafeFile.UNSEEN);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        } catch (DecantException e) {
            LoggerFactory.getLogger(Settings.class).warn("The settings can't be kept", e);
        }
    }
}
