package app.decant.format.html;

import com.helger.css.ECSSVersion;
import com.helger.css.decl.CSSDeclaration;
import com.helger.css.decl.CSSMediaRule;
import com.helger.css.decl.CSSSelector;
import com.helger.css.decl.CSSSelectorAttribute;
import com.helger.css.decl.CSSSelectorMemberNot;
import com.helger.css.decl.CSSSelectorSimpleMember;
import com.helger.css.decl.CSSStyleRule;
import com.helger.css.decl.CascadingStyleSheet;
import com.helger.css.decl.ICSSSelectorMember;
import com.helger.css.decl.IHasCSSDeclarations;
import com.helger.css.reader.CSSReader;
import com.helger.css.reader.CSSReaderDeclarationList;
import com.helger.css.reader.CSSReaderSettings;
import com.helger.css.reader.errorhandler.DoNothingCSSInterpretErrorHandler;
import com.helger.css.reader.errorhandler.DoNothingCSSParseErrorHandler;
import com.helger.css.writer.CSSWriterSettings;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.select.Selector;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The style sheets of a page, as far as they can be told of single elements: which declarations hold for which element (CSS 2.2, 6.4). */
final class StyleRules {
    private static final Logger LOG = LoggerFactory.getLogger(StyleRules.class);
    /** As browsers read: what is no rule ends at the next one (CSS 2.2, 4.2). */
    private static final CSSReaderSettings READING = new CSSReaderSettings().setCSSVersion(ECSSVersion.CSS30).setBrowserCompliantMode(true)
            .setUseSourceLocation(false).setCustomErrorHandler(new DoNothingCSSParseErrorHandler())
            .setInterpretErrorHandler(new DoNothingCSSInterpretErrorHandler()).setCustomExceptionHandler(e -> LOG.debug("A style sheet can't be read", e));
    private static final CSSWriterSettings PLAIN = new CSSWriterSettings(ECSSVersion.CSS30);
    private static final int MOST_RULES = 4000;
    /** Specificity counts ids before classes and attributes before elements (Selectors 3, 9). */
    private static final int ID = 10_000;
    private static final int CLASS = 100;

    private final Map<Element, Map<String, Value>> declared = new IdentityHashMap<>();
    private final Map<String, Map<String, Value>> inline = new HashMap<>();

    private record Value(String text, boolean urgent) { }

    private record Rule(String selector, int weight, int order, Map<String, Value> declarations) { }

    StyleRules(Document page) {
        List<Rule> rules = new ArrayList<>();
        for (Element style : page.select("style")) read(style.data(), rules);
        rules.sort(Comparator.comparingInt(Rule::weight).thenComparingInt(Rule::order));
        for (Rule rule : rules) {
            try {
                for (Element element : page.select(rule.selector)) put(rule.declarations, declared.computeIfAbsent(element, key -> new LinkedHashMap<>()));
            } catch (Selector.SelectorParseException | IllegalArgumentException e) {
                LOG.debug("A selector is passed over: {}", rule.selector, e);
            }
        }
    }

    /** What holds for an element: rules, then what it says itself. */
    Map<String, String> of(Element element) {
        Map<String, Value> all = new LinkedHashMap<>(declared.getOrDefault(element, Map.of()));
        if (element.hasAttr("style")) put(inline.computeIfAbsent(element.attr("style"), StyleRules::inline), all);
        Map<String, String> texts = new LinkedHashMap<>();
        all.forEach((property, value) -> texts.put(property, value.text));
        return texts;
    }

    private static void read(String css, List<Rule> rules) {
        // The marks that once hid a sheet from browsers that knew none (CSS 2.2, 4.1.1).
        String plain = css.strip().replaceFirst("^<!--", "").replaceFirst("-->$", "");
        CascadingStyleSheet sheet = plain.isBlank() ? null : CSSReader.readFromStringReader(plain, READING);
        if (sheet == null) return;
        // What is said for other windows or for printing is passed over.
        Stream<CSSStyleRule> always = sheet.getAllMediaRules().stream().filter(StyleRules::isForAll)
                .flatMap(media -> media.getAllRules().stream().filter(CSSStyleRule.class::isInstance).map(CSSStyleRule.class::cast));
        for (CSSStyleRule rule : Stream.concat(sheet.getAllStyleRules().stream(), always).toList()) {
            Map<String, Value> declarations = declarations(rule);
            for (CSSSelector selector : rule.getAllSelectors()) {
                if (declarations.isEmpty() || rules.size() >= MOST_RULES) break;
                rules.add(new Rule(selector.getAsCSSString(PLAIN).strip(), weight(selector.getAllMembers()), rules.size(), declarations));
            }
        }
    }

    private static boolean isForAll(CSSMediaRule media) {
        return media.getAllMediaQueries().stream().anyMatch(query -> "all".equalsIgnoreCase(query.getMedium()) && query.getMediaExpressionCount() == 0);
    }

    private static Map<String, Value> inline(String css) {
        IHasCSSDeclarations<?> list = CSSReaderDeclarationList.readFromString(css, READING);
        return list == null ? Map.of() : declarations(list);
    }

    private static Map<String, Value> declarations(IHasCSSDeclarations<?> list) {
        Map<String, Value> declarations = new LinkedHashMap<>();
        for (CSSDeclaration one : list.getAllDeclarations())
            put(Map.of(one.getProperty().toLowerCase(Locale.ROOT), new Value(one.getExpression().getAsCSSString(PLAIN).strip(), one.isImportant())),
                    declarations);
        return declarations;
    }

    /** What is urgent gives way only to what is urgent as well (CSS 2.2, 6.4.2). */
    private static void put(Map<String, Value> declarations, Map<String, Value> into) {
        declarations.forEach((property, value) -> {
            Value present = into.get(property);
            if (value.urgent || present == null || !present.urgent) into.put(property, value);
        });
    }

    private static int weight(List<ICSSSelectorMember> members) {
        int weight = 0;
        for (ICSSSelectorMember member : members) {
            if (member instanceof CSSSelectorAttribute) weight += CLASS;
            else if (member instanceof CSSSelectorMemberNot not)
                weight += not.getAllSelectors().stream().mapToInt(one -> weight(one.getAllMembers())).max().orElse(0);
            else if (member instanceof CSSSelectorSimpleMember simple && !simple.getValue().equals("*"))
                weight += simple.isHash() ? ID : simple.isClass() || simple.isPseudo() ? CLASS : 1;
        }
        return weight;
    }
}
