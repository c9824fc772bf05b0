package app.decant.xml;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.DecantException;
import app.decant.words.Message;
import java.io.ByteArrayInputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Markup as it is written and read: against the JDK's own tree of it, by XML 1.0 and Namespaces in XML; and what nobody should ever read. */
class XmlTest {
    private static final String[] WORDS = {"a", " b ", "<", "&", ">", "\"", "'", "\t", "\n", "]]>", "ü", "漢", "\uD83D\uDEA2", "\u0001", "\uFFFE",
            "\uD800", "&amp;"};

    private static String words(Random random) {
        StringBuilder text = new StringBuilder();
        for (int i = random.nextInt(6); i > 0; i--) text.append(WORDS[random.nextInt(WORDS.length)]);
        return text.toString();
    }

    /** What XML can hold of a text (XML 1.0, 2.2). */
    private static String held(String text) {
        StringBuilder held = new StringBuilder();
        text.codePoints().filter(c -> c == '\t' || c == '\n' || c >= ' ' && c < 0xD800 || c > 0xDFFF && c < 0xFFFE
                || c > 0xFFFF).forEach(held::appendCodePoint);
        return held.toString();
    }

    private static void write(XmlWriter xml, Random random, int depth) {
        xml.open("e" + random.nextInt(4), "a", random.nextBoolean() ? words(random) : null, "b", random.nextBoolean() ? 7 : null);
        for (int i = random.nextInt(4); i > 0; i--) {
            if (depth < 5 && random.nextBoolean()) write(xml, random, depth + 1);
            else xml.text(words(random));
        }
        xml.close();
    }

    /** The JDK's tree of what was written is ours, element by element, whatever letters stand in it. */
    @Test void whateverIsWrittenIsReadTheSameByOthers() throws Exception {
        for (int seed = 0; seed < 400; seed++) {
            XmlWriter xml = new XmlWriter();
            write(xml, new Random(seed), 0);
            Element theirs = DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(new ByteArrayInputStream(xml.bytes())).getDocumentElement();
            XmlNode ours = XmlReader.tree(xml.bytes(), "test");
            assertSame(ours, theirs);
            assertThat(XmlReader.tree(ours.markup().getBytes(StandardCharsets.UTF_8), "again")).isEqualTo(ours);
            assertThat(XmlReader.tree(ours.markup().getBytes(StandardCharsets.UTF_8), "again").hashCode()).isEqualTo(ours.hashCode());
        }
    }

    private static void assertSame(XmlNode ours, Element theirs) {
        assertThat(ours.name()).isEqualTo(theirs.getTagName());
        assertThat(ours.attributes()).hasSize(theirs.getAttributes().getLength());
        for (String name : ours.attributes()) assertThat(ours.get(name)).isEqualTo(theirs.getAttribute(name));
        assertThat(ours.text()).isEqualTo(theirs.getTextContent());
        List<Element> children = new ArrayList<>();
        for (Node node = theirs.getFirstChild(); node != null; node = node.getNextSibling()) if (node instanceof Element element) children.add(element);
        assertThat(ours.children()).hasSameSizeAs(children);
        for (int i = 0; i < children.size(); i++) assertSame(ours.children().get(i), children.get(i));
    }

    /** Blanks at the ends of lines in attributes become blanks, as every reader of XML makes them (3.3.3). */
    @Test void charactersThatXmlCantHoldAreLeftOut() {
        Random random = new Random(3);
        for (int i = 0; i < 500; i++) {
            String text = words(random);
            byte[] bytes = new XmlWriter().open("e").text(text).close().bytes();
            assertThat(XmlReader.tree(bytes, "test").text()).isEqualTo(held(text));
        }
        assertThat(XmlWriter.escaped("a\u0000b\uDC00c\uD83D")).isEqualTo("abc");
        assertThat(XmlWriter.escaped("plain")).isEqualTo("plain");
    }

    @Test void elementsWithNothingInThemAreNotWritten() {
        XmlWriter xml = new XmlWriter();
        xml.open("a");
        xml.some("none", () -> { });
        xml.some("some", () -> xml.leaf("b"));
        xml.close();
        assertThat(xml.markup()).isEqualTo("<a><some><b/></some></a>");
        assertThatThrownBy(() -> new XmlWriter().open("left").bytes()).isInstanceOf(IllegalStateException.class).hasMessageContaining("left");
    }

    /** Namespaces in XML, 6: what a name is called is its namespace's business, not its prefix's; the two forms of Office Open XML are one. */
    @Test void prefixesAreThoseOfTheHouse() {
        for (String markup : List.of("<w:p xmlns:w='%s' w:x='1'/>", "<p xmlns='%s' xmlns:q='%s' q:x='1'/>", "<a:p xmlns:a='%s' a:x='1'/>"))
            for (String namespace : List.of(XmlNames.W, "http://purl.oclc.org/ooxml/wordprocessingml/main")) {
                XmlNode node = XmlReader.tree(markup.replace("%s", namespace).getBytes(StandardCharsets.UTF_8), "test");
                assertThat(node.name()).isEqualTo("w:p");
                assertThat(node.get("w:x")).isEqualTo("1");
            }
        XmlNode foreign = XmlReader.tree("<f:p xmlns:f='urn:nobody' f:x='1'/>".getBytes(StandardCharsets.UTF_8), "test");
        assertThat(foreign.name()).isEqualTo("f:p");
        assertThat(foreign.markup()).contains("xmlns:f=\"urn:nobody\"");
    }

    @Test void nodesAreFoundTakenOutAndCompared() {
        XmlNode node = XmlReader.tree("<a x='1'>t<b><c y='2'>deep</c></b><b/>u<d><b>in</b></d></a>".getBytes(StandardCharsets.UTF_8), "test");
        assertThat(node.children("b")).hasSize(2);
        assertThat(node.at("b", "c").get("y")).isEqualTo("2");
        assertThat(node.at("b", "d")).isNull();
        assertThat(node.find("c").text()).isEqualTo("deep");
        assertThat(node.find("z")).isNull();
        assertThat(node.text()).isEqualTo("tdeepuin");
        assertThat(node.get("z", "otherwise")).isEqualTo("otherwise");
        XmlNode bare = node.without(Set.of("b"));
        assertThat(bare.text()).isEqualTo("tu");
        assertThat(bare.get("x")).isEqualTo("1");
        assertThat(bare).isNotEqualTo(node);
        assertThat(node.without(Set.of())).isEqualTo(node);
        assertThat(node.content()).hasSize(5);
    }

    /** Outermost elements that are wanted are given one by one; those within them belong to them. */
    @Test void largeFilesAreReadPieceByPiece() {
        byte[] xml = ("<all><skip><row n='0'/></skip>" + "<row n='1'><row n='2'/></row>".repeat(1000) + "</all>").getBytes(StandardCharsets.UTF_8);
        List<String> seen = new ArrayList<>();
        XmlReader.stream(xml, "test", "row"::equals, row -> seen.add(row.get("n") + row.children().size()));
        assertThat(seen).hasSize(1001).startsWith("00", "11").endsWith("11");
    }

    @Test void encodingsAreThoseThatFilesName() {
        for (String charset : List.of("UTF-8", "UTF-16", "ISO-8859-1"))
            assertThat(XmlReader.tree(("<?xml version='1.0' encoding='" + charset + "'?><e>Größe</e>").getBytes(Charset.forName(charset)), "test").text())
                    .as(charset).isEqualTo("Größe");
        assertThat(XmlReader.tree("\uFEFF<e/>".getBytes(StandardCharsets.UTF_8), "test").name()).isEqualTo("e");
    }

    /** Bombs, entities from elsewhere, nesting without end, broken ends: an error in words that names the part, never a read of something else. */
    @ParameterizedTest @ValueSource(strings = {"<!DOCTYPE e [<!ENTITY x SYSTEM 'file:///etc/passwd'>]><e>&x;</e>", "<e>", "<e></f>", "<e a='1' a='2'/>",
            "", "text",
        "<e>&nothing;</e>", "<e xmlns:a='u'><b:c/></e>", "<?xml version='1.0' encoding='nobody-knows'?><e/>", "<e>\u0001</e>",
        "<!DOCTYPE e [<!ENTITY a 'aaaaaaaaaa'><!ENTITY b '&a;&a;&a;&a;&a;&a;&a;&a;'>]><e>&b;</e>"})
    void hostileMarkupIsRefusedInWords(String markup) {
        assertThatThrownBy(() -> {
            XmlNode read = XmlReader.tree(markup.getBytes(StandardCharsets.UTF_8), "part.xml");
            // A reader may pass over what stands for something else, but never put that in.
            assertThat(read.text()).doesNotContain("root:").doesNotContain("aaaa");
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("xml.the-file-is-damaged-its-part", "part.xml"));
        }).isInstanceOf(DecantException.class).hasMessageContaining("part.xml");
    }

    @Test void nestingHasAnEnd() {
        String deep = "<e>".repeat(5000) + "</e>".repeat(5000);
        assertThatThrownBy(() -> XmlReader.tree(deep.getBytes(StandardCharsets.UTF_8), "deep.xml")).isInstanceOf(DecantException.class);
        String fine = "<e>".repeat(300) + "</e>".repeat(300);
        assertThat(XmlReader.tree(fine.getBytes(StandardCharsets.UTF_8), "fine.xml").name()).isEqualTo("e");
    }
}
