package app.decant.desktop.work;

import app.decant.Decant;
import app.decant.document.DecantException;
import app.decant.publish.Guard;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.slf4j.LoggerFactory;

/** What is remembered from one time to the next: the window's place, recent files, folders, light or dark. */
public final class Settings {
    private static final int RECENT = 8;
    private static final double WIDEST = 100_000;
    private final ObjectMapper mapper = new ObjectMapper();
    private final Path file;
    private ObjectNode values;

    private Settings(Path file) {
        this.file = file;
        this.values = read();
    }

    public static Settings ofThisUser() { return kept(Decant.home().resolve("settings.json")); }
    public static Settings kept(Path file) { return new Settings(file); }

    /** Settings that begin empty and are never written. */
    public static Settings forgetful() { return new Settings(null); }

    private ObjectNode read() {
        if (file == null || !Files.exists(file)) return mapper.createObjectNode();
        try {
            return mapper.readTree(Files.readString(file)) instanceof ObjectNode node ? node : mapper.createObjectNode();
        } catch (IOException e) {
            LoggerFactory.getLogger(Settings.class).warn("The settings can't be read; starting with fresh ones", e);
            return mapper.createObjectNode();
        }
    }

    public boolean isForgetful() { return file == null; }

    /** A number of pixels; what is none, or none that a screen could have, is the other. */
    public double number(String name, double otherwise) {
        double value = values.path(name).asDouble(otherwise);
        return Math.abs(value) <= WIDEST ? value : otherwise;
    }

    public String text(String name, String otherwise) { return values.path(name).asText(otherwise); }
    public boolean flag(String name) { return values.path(name).asBoolean(false); }

    public void set(String name, double value) { values.put(name, value); }
    public void set(String name, boolean value) { values.put(name, value); }
    public void set(String name, String value) { values.put(name, value); }

    /** Recent files that are still there, the newest first. */
    public List<Path> recent() {
        List<Path> files = new ArrayList<>();
        values.path("recent").forEach(node -> path(node.asText()).filter(Files::exists).ifPresent(files::add));
        return files;
    }

    /** The folders of this name that are still there. */
    public List<Path> folders(String name) {
        return Arrays.stream(text(name, "").split(File.pathSeparator)).filter(told -> !told.isBlank()).flatMap(told -> path(told).stream())
                .filter(Files::isDirectory).toList();
    }

    private static Optional<Path> path(String told) {
        try {
            return Optional.of(Path.of(told));
        } catch (InvalidPathException e) {
            LoggerFactory.getLogger(Settings.class).info("What is no path is passed over", e);
            return Optional.empty();
        }
    }

    public void opened(Path path) {
        List<Path> files = recent();
        Path whole = path.toAbsolutePath().normalize();
        files.remove(whole);
        files.add(0, whole);
        ArrayNode array = values.putArray("recent");
        for (Path one : files.subList(0, Math.min(RECENT, files.size()))) array.add(one.toString());
        set("openFolder", String.valueOf(whole.getParent()));
        save();
    }

    public void save() {
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
