package app.decant.format.html;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.select.Selector;
import org.slf4j.LoggerFactory;

/** The style sheets of a page, as far as they can be told of single elements: which declarations hold for which element (CSS 2.2, 6.4). */
final class StyleRules {
    private static final Pattern RULE = Pattern.compile("([^{}]+)\\{([^{}]*)\\}");
    private static final Pattern ELEMENT = Pattern.compile("(?<![\\w.#\\[\"'=-])[a-zA-Z]");
    private static final String URGENT = "!important";
    private static final int MOST_RULES = 4000;

    private final Map<Element, Map<String, String>> declared = new IdentityHashMap<>();

    private record Rule(String selector, int weight, int order, Map<String, String> declarations) { }

    StyleRules(Document page) {
        List<Rule> rules = new ArrayList<>();
        for (Element style : page.select("style")) {
            // What is said for printing or for other windows is passed over.
            String css = style.data().replaceAll("(?s)/\\*.*?\\*/", "").replaceAll("@(import|charset|namespace)[^;]*;", "")
                    .replaceAll("(?s)@(media|supports|font-face|page|keyframes)[^{]*\\{([^{}]*\\{[^{}]*\\})*[^{}]*\\}", "");
            Matcher matcher = RULE.matcher(css);
            while (matcher.find() && rules.size() < MOST_RULES) {
                Map<String, String> declarations = declarations(matcher.group(2));
                if (declarations.isEmpty()) continue;
                for (String selector : matcher.group(1).split(","))
                    if (!selector.contains(":")) rules.add(new Rule(selector.strip(), weight(selector), rules.size(), declarations));
            }
        }
        rules.sort(Comparator.comparingInt(Rule::weight).thenComparingInt(Rule::order));
        for (Rule rule : rules) {
            try {
                for (Element element : page.select(rule.selector)) put(rule.declarations, declared.computeIfAbsent(element, key -> new LinkedHashMap<>()));
            } catch (Selector.SelectorParseException | IllegalArgumentException e) {
                LoggerFactory.getLogger(StyleRules.class).debug("A selector is passed over: {}", rule.selector, e);
            }
        }
    }

    /** What holds for an element: rules, then what it says itself. */
    Map<String, String> of(Element element) {
        Map<String, String> all = new LinkedHashMap<>(declared.getOrDefault(element, Map.of()));
        if (element.hasAttr("style")) put(declarations(element.attr("style")), all);
        all.replaceAll((property, value) -> value.replace(URGENT, "").strip());
        return all;
    }

    /** What is urgent gives way only to what is urgent as well (CSS 2.2, 6.4.2). */
    private static void put(Map<String, String> declarations, Map<String, String> into) {
        declarations.forEach((property, value) -> {
            if (value.contains(URGENT) || !into.getOrDefault(property, "").contains(URGENT)) into.put(property, value);
        });
    }

    private static int weight(String selector) {
        int weight = 0;
        for (int i = 0; i < selector.length(); i++)
            weight += selector.charAt(i) == '#' ? 10_000 : selector.charAt(i) == '.' || selector.charAt(i) == '[' ? 100 : 0;
        Matcher elements = ELEMENT.matcher(selector);
        while (elements.find()) weight++;
        return weight;
    }

    private static Map<String, String> declarations(String css) {
        Map<String, String> declarations = new LinkedHashMap<>();
        for (String one : css.split(";(?![^(]*\\))")) {
            int colon = one.indexOf(':');
            if (colon > 0) declarations.put(one.substring(0, colon).strip().toLowerCase(Locale.ROOT), one.substring(colon + 1).strip());
        }
        return declarations;
    }
}
