package app.decant;

import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.pdf.form.FileField;
import app.decant.pdf.form.FileForm;
import app.decant.sheet.Cell;
import app.decant.sheet.NumberText;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/**
 * What forms are filled in with: fields by name, for each form one set. From a JSON object, an array of such, or the first sheet of a workbook or .csv, whose
 * first row names the fields and each row below fills one form.
 */
public final class FormData {
    private static final ObjectMapper MAPPER = new ObjectMapper();

    private FormData() { }

    /**
     * Reads a file of such data.
     *
     * @throws DecantException where it holds none
     */
    public static List<Map<String, String>> read(Path file) {
        return file.getFileName().toString().toLowerCase(Locale.ROOT).endsWith(".json") ? json(file) : sheet(file);
    }

    private static List<Map<String, String>> json(Path file) {
        try {
            JsonNode root = MAPPER.readTree(new String(Decant.bytes(file), StandardCharsets.UTF_8));
            List<Map<String, String>> all = new ArrayList<>();
            for (JsonNode one : root.isArray() ? root : List.of(root)) {
                if (!one.isObject()) throw none(file, null);
                Map<String, String> answers = new LinkedHashMap<>();
                one.fields().forEachRemaining(field -> answers.put(field.getKey(), said(field.getValue())));
                all.add(answers);
            }
            if (all.isEmpty()) throw none(file, null);
            return all;
        } catch (JsonProcessingException e) {
            throw none(file, e);
        }
    }

    private static String said(JsonNode value) {
        if (!value.isArray()) return value.isNull() ? "" : value.asText();
        List<String> several = new ArrayList<>();
        value.forEach(one -> several.add(one.asText()));
        return String.join("\n", several);
    }

    private static List<Map<String, String>> sheet(Path file) {
        Workbook workbook = Decant.workbook(file, null, Progress.SILENT).workbook();
        Sheet sheet = workbook.sheets().stream().filter(one -> !one.hidden() && !one.rows().isEmpty()).findFirst().orElseThrow(() -> none(file, null));
        NumberText numbers = new NumberText(workbook, Locale.ROOT);
        Map<Integer, String> names = new TreeMap<>();
        for (Cell cell : sheet.rows().get(0).cells()) if (!cell.isEmpty()) names.put(cell.column(), shown(workbook, numbers, cell).strip());
        List<Map<String, String>> all = new ArrayList<>();
        for (Row row : sheet.rows().subList(1, sheet.rows().size())) {
            Map<String, String> answers = new LinkedHashMap<>();
            for (Cell cell : row.cells()) if (names.containsKey(cell.column()) && !cell.isEmpty())
                answers.put(names.get(cell.column()), shown(workbook, numbers, cell));
            if (!answers.isEmpty()) all.add(answers);
        }
        if (all.isEmpty()) throw none(file, null);
        return all;
    }

    private static String shown(Workbook workbook, NumberText numbers, Cell cell) { return numbers.of(cell.value(), workbook.style(cell).format()); }

    /**
     * What the fields of a form are to say.
     *
     * @param wishes by full names of fields, or what people are told that they are where that is said of one only
     * @throws DecantException where the form has no such field, or the field takes no such thing
     */
    public static Map<String, String> answers(FileForm form, Map<String, String> wishes) {
        Map<String, String> answers = new TreeMap<>();
        wishes.forEach((name, wish) -> {
            FileField field = field(form, name);
            answers.put(field.name(), field.said(wish));
        });
        return answers;
    }

    private static FileField field(FileForm form, String name) {
        FileField exact = form.field(name);
        if (exact != null) return exact;
        List<FileField> like = form.fields().stream().filter(field -> field.label().equalsIgnoreCase(name) || field.name().equalsIgnoreCase(name)).toList();
        if (like.size() == 1) return like.get(0);
        throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of("form.no-field", name));
    }

    private static DecantException none(Path file, Exception cause) {
        return new DecantException(DecantException.Kind.WRONG_CALL, Message.of("form.no-data", file.getFileName()), cause);
    }
}
