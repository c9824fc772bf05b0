package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Opaque;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.document.TextFrame;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Reading what ISO/IEC 29500-1 allows in places where files differ; each test names its clause. */
class DocxReadingTest {
    private static final String W = DocxParts.W;
    private final DocxParts parts = new DocxParts();

    private DocxReadingTest with(String role, String name, String xml) {
        parts.with(role, name, xml);
        return this;
    }

    private DocxReadingTest link(String id, String address) {
        parts.link(id, address);
        return this;
    }

    private Taken read(String body) { return read(body, W); }

    private Taken read(String body, String namespace) { return Formats.read(parts.bytes(body, namespace), "made.docx", null, Progress.SILENT); }

    private static String p(String content) { return "<w:p>" + content + "</w:p>"; }

    private static String r(String content) { return "<w:r>" + content + "</w:r>"; }

    private static String t(String text) { return r("<w:t xml:space=\"preserve\">" + text + "</w:t>"); }

    private static Paragraph first(Taken taken) { return (Paragraph) taken.document().blocks().get(0); }

    /** 17.16.18: a field of three marks, its instruction and its result in runs of their own. */
    @Test void fieldsInPiecesAreFields() {
        Paragraph paragraph = first(read(p(t("Page ") + r("<w:fldChar w:fldCharType=\"begin\"/>") + r("<w:instrText> PA</w:instrText>")
                + r("<w:instrText>GE </w:instrText>") + r("<w:fldChar w:fldCharType=\"separate\"/>") + t("7") + r("<w:fldChar w:fldCharType=\"end\"/>")
                + t("."))));
        assertThat(paragraph.inlines()).hasSize(3);
        assertThat(paragraph.inlines().get(1)).isInstanceOfSatisfying(Inline.Field.class, field -> {
            assertThat(field.kind()).isEqualTo(Inline.Field.Kind.PAGE);
            assertThat(field.result()).isEqualTo("7");
        });
    }

    /** 17.16.19 and 17.16.5.25: simple fields, and links written as fields. */
    @Test void linksWrittenAsFieldsAreLinks() {
        Paragraph paragraph = first(read(p("<w:fldSimple w:instr=\"HYPERLINK &quot;https://ostrey.example/a&quot; \\l &quot;top&quot;\">" + t("the office")
                + "</w:fldSimple>")));
        assertThat(paragraph.inlines().get(0).look().get(TextProperty.LINK)).isEqualTo(new Link.Address("https://ostrey.example/a#top"));
    }

    /** 17.16.22: links by relation and by bookmark. */
    @Test void linksLeadOutAndInside() {
        Paragraph paragraph = first(link("x9", "mailto:a@b.example")
                .read(p("<w:hyperlink r:id=\"x9\">" + t("write") + "</w:hyperlink><w:hyperlink w:anchor=\"here\">" + t("go") + "</w:hyperlink>")));
        assertThat(paragraph.inlines()).extracting(inline -> inline.look().get(TextProperty.LINK)).containsExactly(new Link.Address("mailto:a@b.example"),
                new Link.Inside("here"));
    }

    /** 17.4.84 and 17.4.17: cells joined downward and across, and rows that begin later. */
    @Test void joinedCellsBecomeSpans() {
        String cell = "<w:tc><w:tcPr>%s</w:tcPr><w:p><w:r><w:t>%s</w:t></w:r></w:p></w:tc>";
        String table = "<w:tbl><w:tblPr/><w:tblGrid><w:gridCol w:w=\"2000\"/><w:gridCol w:w=\"1000\"/><w:gridCol w:w=\"1000\"/></w:tblGrid>"
                + "<w:tr>" + cell.formatted("<w:vMerge w:val=\"restart\"/>", "A") + cell.formatted("<w:gridSpan w:val=\"2\"/>", "B") + "</w:tr>"
                + "<w:tr>" + cell.formatted("<w:vMerge/>", "") + cell.formatted("", "C") + cell.formatted("", "D") + "</w:tr>"
                + "<w:tr><w:trPr><w:gridBefore w:val=\"1\"/></w:trPr>" + cell.formatted("", "E") + "</w:tr></w:tbl>";
        Table read = (Table) read(table + p("")).document().blocks().get(0);
        assertThat(read.columns()).containsExactly(100.0, 50.0, 50.0);
        Table.Cell a = read.rows().get(0).cells().get(0);
        assertThat(a.rowSpan()).isEqualTo(2);
        assertThat(read.rows().get(0).cells().get(1).columnSpan()).isEqualTo(2);
        assertThat(read.rows().get(1).cells()).extracting(Table.Cell::column).containsExactly(1, 2);
        assertThat(read.rows().get(2).cells().get(0).column()).isEqualTo(1);
    }

    /** Strict files name other namespaces and write measures with their units (22.9.2.14). */
    @Test void strictFilesAreReadLikeOthers() {
        Taken taken = read("<w:p><w:pPr><w:ind w:start=\"1in\" w:end=\"10pt\"/><w:jc w:val=\"end\"/></w:pPr><w:r><w:t>x</w:t></w:r></w:p><w:sectPr><w:pgSz "
                + "w:w=\"210mm\" w:h=\"297mm\"/></w:sectPr>", "http://purl.oclc.org/ooxml/wordprocessingml/main");
        assertThat(first(taken).look().get(ParagraphProperty.INDENT_START)).isEqualTo(72);
        assertThat(first(taken).look().get(ParagraphProperty.ALIGNMENT)).isEqualTo(ParagraphProperty.Alignment.END);
        assertThat(taken.document().sections().get(0).page().width()).isCloseTo(595.28, within(0.01));
    }

    /** 17.9: lists of one pattern count on; a list that restarts begins anew; deeper levels begin anew under each item. */
    @Test void listLabelsCountAsTheStandardSays() {
        String level = "<w:lvl w:ilvl=\"%d\"><w:start w:val=\"1\"/><w:numFmt w:val=\"%s\"/><w:lvlText w:val=\"%s\"/></w:lvl>";
        with("numbering", "numbering.xml", "<w:numbering xmlns:w=\"" + W + "\"><w:abstractNum w:abstractNumId=\"0\">" + level.formatted(0, "decimal", "%1.")
                + level.formatted(1, "lowerLetter", "%1%2)") + level.formatted(2, "upperRoman", "%3") + "</w:abstractNum>"
                + "<w:num w:numId=\"1\"><w:abstractNumId w:val=\"0\"/></w:num><w:num w:numId=\"2\"><w:abstractNumId w:val=\"0\"/></w:num><w:num "
                        + "w:numId=\"3\"><w:abstractNumId w:val=\"0\"/><w:lvlOverride w:ilvl=\"0\"><w:startOverride "
                        + "w:val=\"5\"/></w:lvlOverride></w:num></w:numbering>");
        StringBuilder body = new StringBuilder();
        int[][] items = {{1, 0}, {1, 1}, {1, 1}, {1, 0}, {1, 1}, {2, 0}, {3, 0}, {3, 0}, {1, 2}};
        for (int[] item : items) body.append("<w:p><w:pPr><w:numPr><w:ilvl w:val=\"").append(item[1]).append("\"/><w:numId w:val=\"").append(item[0])
                .append("\"/></w:numPr></w:pPr><w:r><w:t>x</w:t></w:r></w:p>");
        Document document = read(body.toString()).document();
        ListLabels labels = ListLabels.of(document, Cascade.of(document));
        assertThat(Walk.of(document).stops()).extracting(stop -> labels.label(stop.paragraph())).containsExactly("1.", "1a)", "1b)", "2.", "2a)", "3.", "5.",
                "6.", "I");
    }

    /** 17.7.2: defaults beneath the style's parents, beneath the style, beneath the character style, beneath the run itself. */
    @Test void looksAreLaidOverEachOtherInOrder() {
        with("styles", "styles.xml", "<w:styles xmlns:w=\"" + W
                + "\"><w:docDefaults><w:rPrDefault><w:rPr><w:sz w:val=\"20\"/><w:rFonts w:ascii=\"Arial\"/></w:rPr></w:rPrDefault></w:docDefaults>"
                + "<w:style w:type=\"paragraph\" w:default=\"1\" w:styleId=\"N\"><w:name w:val=\"Normal\"/><w:rPr><w:color w:val=\"FF0000\"/></w:rPr></w:style>"
                + "<w:style w:type=\"paragraph\" w:styleId=\"H\"><w:name w:val=\"heading 2\"/><w:basedOn w:val=\"N\"/><w:rPr><w:b/><w:sz "
                        + "w:val=\"30\"/></w:rPr></w:style>"
                + "<w:style w:type=\"character\" w:styleId=\"C\"><w:name w:val=\"c\"/><w:rPr><w:i/><w:sz w:val=\"40\"/></w:rPr></w:style></w:styles>");
        Taken taken = read("<w:p><w:pPr><w:pStyle w:val=\"H\"/></w:pPr><w:r><w:rPr><w:rStyle w:val=\"C\"/><w:b w:val=\"0\"/></w:rPr><w:t>x</w:t></w:r></w:p>");
        Cascade cascade = Cascade.of(taken.document());
        Look look = cascade.text(first(taken), first(taken).inlines().get(0).look());
        assertThat(look.get(TextProperty.SIZE)).isEqualTo(20);
        assertThat(look.get(TextProperty.BOLD)).isFalse();
        assertThat(look.get(TextProperty.ITALIC)).isTrue();
        assertThat(look.get(TextProperty.COLOUR)).isEqualTo(new Colour(0xFF0000));
        assertThat(look.get(TextProperty.FAMILY)).isEqualTo("Arial");
        assertThat(cascade.outlineLevel(first(taken))).as("a style named heading 2 is one").isEqualTo(2);
    }

    @Test void stylesThatAreTheirOwnAncestorsDoNotHang() {
        with("styles", "styles.xml", "<w:styles xmlns:w=\"" + W
                + "\"><w:style w:type=\"paragraph\" w:styleId=\"A\"><w:name w:val=\"A\"/><w:basedOn w:val=\"B\"/></w:style><w:style w:type=\"paragraph\" "
                + "w:styleId=\"B\"><w:name w:val=\"B\"/><w:basedOn w:val=\"A\"/><w:rPr><w:b/></w:rPr></w:style></w:styles>");
        Taken taken = read("<w:p><w:pPr><w:pStyle w:val=\"A\"/></w:pPr></w:p>");
        assertThat(Cascade.of(taken.document()).text(first(taken), Look.PLAIN).is(TextProperty.BOLD)).isTrue();
    }

    /** 17.6.18: each section's properties stand at its end, and say how it begins. */
    @Test void sectionsHaveTheirOwnPages() {
        List<Section> sections = read(p(t("one"))
                + "<w:p><w:pPr><w:sectPr><w:pgSz w:w=\"16838\" w:h=\"11906\" w:orient=\"landscape\"/><w:cols w:num=\"2\" w:space=\"400\" "
                + "w:sep=\"1\"/></w:sectPr></w:pPr></w:p>" + p(t("two"))
                + "<w:sectPr><w:type w:val=\"continuous\"/><w:pgNumType w:fmt=\"lowerRoman\" w:start=\"4\"/></w:sectPr>").document().sections();
        assertThat(sections).hasSize(2);
        assertThat(sections.get(0).page().isLandscape()).isTrue();
        assertThat(sections.get(0).columns()).isEqualTo(new Section.Columns(2, 20, true, List.of()));
        assertThat(sections.get(1).start()).isEqualTo(Section.Start.CONTINUOUS);
        assertThat(sections.get(1).numbering()).isEqualTo(new Section.PageNumbering(NumberFormat.LOWER_ROMAN, 4));
    }

    /** 20.4.2: a text box in newer markup, with older markup beside it that must not be read as well. */
    @Test void aTextBoxIsReadOnce() {
        String inside = "<w:txbxContent>" + p(t("boxed")) + "</w:txbxContent>";
        String drawing = "<w:drawing><wp:anchor behindDoc=\"1\"><wp:positionH "
                + "relativeFrom=\"page\"><wp:posOffset>127000</wp:posOffset></wp:positionH><wp:positionV "
                + "relativeFrom=\"margin\"><wp:align>bottom</wp:align></wp:positionV><wp:extent cx=\"1270000\" cy=\"635000\"/><wp:wrapSquare "
                + "wrapText=\"bothSides\"/>"
                + "<a:graphic><a:graphicData uri=\"x\"><wps:wsp><wps:spPr><a:solidFill><a:srgbClr val=\"E6EDEF\"/></a:solidFill></wps:spPr><wps:txbx>"
                        + inside + "</wps:txbx><wps:bodyPr/></wps:wsp></a:graphicData></a:graphic></wp:anchor></w:drawing>";
        Paragraph paragraph = first(read(p(t("before ") + r("<mc:AlternateContent><mc:Choice Requires=\"wps\">" + drawing
                + "</mc:Choice><mc:Fallback><w:pict>" + inside + "</w:pict></mc:Fallback></mc:AlternateContent>") + t("after"))));
        assertThat(paragraph.text()).isEqualTo("before \uFFFCafter");
        Inline.Floating floating = (Inline.Floating) paragraph.inlines().get(1);
        assertThat(floating.anchor().behind()).isTrue();
        assertThat(floating.anchor().horizontal().offset()).isEqualTo(10);
        TextBox box = (TextBox) floating.content();
        assertThat(box.width()).isEqualTo(100);
        assertThat(box.fill()).isEqualTo(new Colour(0xE6EDEF));
        assertThat(((Paragraph) box.blocks().get(0)).text()).isEqualTo("boxed");
    }

    /** ISO/IEC 29500-4, 19.1.2.7: every text of a group of the older markup stands where it stood, in groups within groups too. */
    @Test void eachTextOfAnOlderGroupIsTakenIn() {
        String box = "<v:textbox><w:txbxContent>%s</w:txbxContent></v:textbox>";
        Taken taken = read(p(r("<w:pict xmlns:v=\"urn:schemas-microsoft-com:vml\"><v:group "
                + "style=\"position:absolute;margin-left:10pt;margin-top:20pt;width:200pt;"
                + "height:100pt\" coordsize=\"2000,1000\" coordorigin=\"0,0\"><v:rect "
                        + "style=\"left:100;top:50;width:500;height:250\">" + box.formatted(p(t("one")))
                + "</v:rect><v:polyline points=\"0,0 5,5\"/><v:group style=\"left:1000;top:500;width:1000;height:500\" coordsize=\"100,50\" "
                + "coordorigin=\"10,0\">"
                + "<v:roundrect "
                + "style=\"left:20;top:10;width:50;height:20\">" + box.formatted(p(t("two"))) + "</v:roundrect></v:group></v:group></w:pict>")));
        assertThat(first(taken).inlines()).extracting(inline -> {
            Inline.Floating floating = (Inline.Floating) inline;
            TextBox text = (TextBox) floating.content();
            return ((Paragraph) text.blocks().get(0)).text() + " " + floating.anchor().horizontal().offset() + " " + floating.anchor().vertical().offset()
                    + " " + text.width() + " " + text.height();
        }).containsExactly("one 20.0 25.0 50.0 25.0", "two 120.0 80.0 50.0 20.0");
        assertThat(taken.findings()).extracting(Finding::what).contains("Lines and shapes around the texts and pictures of a drawing are not shown.");
    }

    /** 17.3.3: breaks, tabs, hyphens and symbols of pictorial fonts. */
    @Test void signsInRunsAreCharacters() {
        Paragraph paragraph = first(read(p(r("<w:t>a</w:t><w:tab/><w:t>b</w:t><w:br/><w:t>c</w:t><w:noBreakHyphen/><w:softHyphen/><w:br w:type=\"page\"/>")
                + r("<w:sym w:font=\"Wingdings\" w:char=\"F0FC\"/>"))));
        assertThat(paragraph.text()).isEqualTo("a\tb\nc\u2011\u00AD\f\u2713");
    }

    /** ISO/IEC 29500-1, 17.3.1.33: what is left to the program is nothing between the items of a list; what is said stays. */
    @Test void itemsOfOneListHaveNoAutomaticSpaceBetweenThem() {
        String item = "<w:p><w:pPr><w:spacing w:before=\"100\" w:beforeAutospacing=\"1\" w:after=\"100\" w:afterAutospacing=\"1\"/>"
                + "<w:numPr><w:ilvl w:val=\"0\"/><w:numId w:val=\"%s\"/></w:numPr></w:pPr>" + t("x") + "</w:p>";
        String said = item.formatted("2").replace("w:before=\"100\" w:beforeAutospacing=\"1\"", "w:before=\"280\"");
        List<Block> items = read(item.formatted("1") + item.formatted("1") + item.formatted("2") + said).document().blocks();
        assertThat(items).extracting(block -> ((Paragraph) block).look().get(ParagraphProperty.SPACE_BEFORE))
                .containsExactly(ParagraphProperty.AUTOMATIC_SPACE, 0.0, ParagraphProperty.AUTOMATIC_SPACE, 14.0);
        assertThat(items).extracting(block -> ((Paragraph) block).look().get(ParagraphProperty.SPACE_AFTER))
                .containsExactly(0.0, ParagraphProperty.AUTOMATIC_SPACE, 0.0, ParagraphProperty.AUTOMATIC_SPACE);
    }

    @Test void anEquationIsKeptAndShown() {
        Taken taken = read(p("<m:oMath><m:r><m:t>a+b</m:t></m:r></m:oMath>"));
        Opaque kept = ((Inline.OpaqueInline) first(taken).inlines().get(0)).opaque();
        assertThat(kept.source()).contains("<m:t>a+b</m:t>");
        assertThat(kept.likeness().description()).isEqualTo("a+b");
        assertThat(taken.findings()).isEmpty();
    }

    /** A picture that lies outside the file is never fetched (it could tell its owner that the file was opened). */
    @Test void picturesOutsideTheFileAreNotFetched() {
        Taken taken = read(p(r("<w:drawing><wp:inline><wp:extent cx=\"1\" cy=\"1\"/><a:graphic><a:graphicData uri=\"p\"><pic:pic "
                + "xmlns:pic=\"http://schemas.openxmlformats.org/drawingml/2006/picture\"><pic:blipFill><a:blip "
                + "r:link=\"zz\"/></pic:blipFill></pic:pic></a:graphicData></a:graphic></wp:inline></w:drawing>")));
        assertThat(taken.findings()).extracting(Finding::what).anyMatch(what -> what.contains("not fetched"));
    }

    @Test void whatIsNotDrawnYetIsSaidSo() {
        Taken taken = read(p(t("O")) + "<w:sectPr><w:textDirection w:val=\"tbRl\"/></w:sectPr>");
        assertThat(taken.findings()).extracting(Finding::what).anyMatch(what -> what.contains("sideways"));
    }

    /** 17.3.1.11: what is not said of a frame is as the standard has it. */
    @Test void framesSayWhereTheyStand() {
        Paragraph letter = (Paragraph) read("<w:p><w:pPr><w:framePr w:dropCap=\"margin\" w:lines=\"2\" w:hSpace=\"40\" w:wrap=\"around\" w:vAnchor=\"text\" "
                + "w:hAnchor=\"page\"/></w:pPr><w:r><w:t>O</w:t></w:r></w:p>").document().blocks().get(0);
        TextFrame frame = letter.look().get(ParagraphProperty.FRAME);
        assertThat(frame.dropped()).isEqualTo(2);
        assertThat(frame.inMargin()).isTrue();
        assertThat(frame.anchor().distance().left()).isEqualTo(2);
        Paragraph plain = (Paragraph) read("<w:p><w:pPr><w:framePr w:w=\"2000\" w:h=\"600\" w:hRule=\"exact\" w:xAlign=\"center\" w:y=\"-20\"/></w:pPr></w:p>")
                .document().blocks().get(0);
        frame = plain.look().get(ParagraphProperty.FRAME);
        assertThat(frame.width()).isEqualTo(100);
        assertThat(frame.exact()).isTrue();
        assertThat(frame.anchor().horizontal()).isEqualTo(new Anchor.Horizontal(Anchor.Horizontal.From.PAGE, Alignment.CENTRE, 0));
        assertThat(frame.anchor().vertical()).isEqualTo(new Anchor.Vertical(Anchor.Vertical.From.PAGE, null, -1));
    }

    @Test void contentControlsGiveTheirContent() {
        List<Block> blocks = read("<w:sdt><w:sdtContent>" + p("<w:sdt><w:sdtContent>" + t("inside") + "</w:sdtContent></w:sdt>") + "</w:sdtContent></w:sdt>")
                .document().blocks();
        assertThat(((Paragraph) blocks.get(0)).text()).isEqualTo("inside");
    }

    /** 17.4.78 and 17.4.49: rows that repeat, rows of a fixed height. */
    @Test void rowsSayHowTheyBehave() {
        Table table = (Table) read("<w:tbl><w:tr><w:trPr><w:tblHeader/><w:cantSplit/><w:trHeight w:val=\"400\" "
                + "w:hRule=\"exact\"/></w:trPr><w:tc><w:p/></w:tc></w:tr></w:tbl>").document().blocks().get(0);
        Look look = table.rows().get(0).look();
        assertThat(look.is(TableProperty.HEADER_ROW) && look.is(TableProperty.KEEP_ROW) && look.is(TableProperty.ROW_HEIGHT_EXACT)).isTrue();
        assertThat(look.get(TableProperty.ROW_HEIGHT)).isEqualTo(20);
    }

    /** 17.13.5.2: cells taken out while changes were tracked are no text any more, which is told. */
    @Test void cellsTakenOutAreGone() {
        Taken taken = read("<w:tbl><w:tblGrid><w:gridCol w:w=\"2000\"/><w:gridCol w:w=\"2000\"/></w:tblGrid>"
                + "<w:tr><w:tc><w:p><w:r><w:t>stays</w:t></w:r></w:p></w:tc><w:tc><w:tcPr><w:cellDel w:id=\"2\"/></w:tcPr><w:p><w:r><w:t>old "
                        + "cell</w:t></w:r></w:p></w:tc></w:tr></w:tbl><w:p/>");
        assertThat(Walk.of(taken.document()).stops().stream().map(stop -> stop.paragraph().plainText())).contains("stays").doesNotContain("old cell");
        assertThat(taken.findings()).extracting(Finding::what).contains("Tracked changes of cells come in as accepted.");
    }

    /** 17.3.3.25: small words above others keep both. */
    @Test void rubyKeepsItsBaseAndWhatStandsAbove() {
        Taken taken = read("<w:p><w:r><w:t>a "
                + "</w:t></w:r><w:r><w:ruby><w:rt><w:r><w:t>kan</w:t></w:r></w:rt><w:rubyBase><w:r><w:t>\u6F22</w:t></w:r></w:rubyBase></w:ruby></w:r></w:p>"
                + "<w:p><w:r><w:fldChar w:fldCharType=\"begin\"/></w:r><w:r><w:instrText>EQ \\* jc2 \\* hps10 \\o\\ad(\\s\\up "
                        + "9(kan),\u6F22)</w:instrText></w:r><w:r><w:fldChar w:fldCharType=\"end\"/></w:r></w:p>");
        assertThat(Walk.of(taken.document()).stops().get(0).paragraph().plainText()).isEqualTo("a \u6F22(kan)");
    }

    private static String field(String instruction, String result) {
        return r("<w:fldChar w:fldCharType=\"begin\"/>") + r("<w:instrText>" + instruction + "</w:instrText>") + (result == null ? ""
                : r("<w:fldChar w:fldCharType=\"separate\"/>") + result) + r("<w:fldChar w:fldCharType=\"end\"/>");
    }

    /** 17.16.5.33, 17.16.5.63: buttons show their words, symbols their sign, though the file stores no result. */
    @Test void fieldsWithoutAResultShowWhatTheySay() {
        assertThat(first(read(p(t("Press ") + field(" MACROBUTTON NoMacro [click here]", null)))).inlines().get(1))
                .isInstanceOfSatisfying(Inline.Field.class, field -> assertThat(field.result()).isEqualTo("[click here]"));
        assertThat(List.of("SYMBOL 181 \\f &quot;Arial&quot;", "SYMBOL 0xB0", "SYMBOL 8364 \\u", "SYMBOL 183 \\f Symbol", "SYMBOL 0xF0E0 \\f Wingdings",
                "SYMBOL 99999999999 \\u", "SYMBOL"))
                .extracting(said -> ((Inline.Field) first(read(p(field(said, null)))).inlines().get(0)).result())
                .containsExactly("\u00B5", "\u00B0", "\u20AC", "\u2022", "\u2192", "", "");
    }

    /** 17.16.5.75: entries of an index show nothing, and are there again when the file is saved. */
    @Test void entriesOfAnIndexStay() {
        Document document = read(p(t("Ferries") + field(" XE &quot;Ferries&quot; ", null) + t(" sail."))).document();
        assertThat(((Paragraph) document.blocks().get(0)).inlines().get(1)).isInstanceOfSatisfying(Inline.Field.class, field -> {
            assertThat(field.result()).isEmpty();
            assertThat(field.asked()).isEqualTo("XE \"Ferries\"");
        });
        assertThat(Elements.part(Formats.called("docx").write(document, Instant.EPOCH).bytes(), "word/document.xml").find("w:instrText").text())
                .isEqualTo(" XE \"Ferries\" ");
    }

    /** 17.13.6: bookmarks may begin and end between paragraphs, rows and cells, and at the end of all. */
    @Test void bookmarksBetweenBlocksAreFound() {
        String start = "<w:bookmarkStart w:id=\"1\" w:name=\"fares\"/>";
        String end = "<w:bookmarkEnd w:id=\"1\"/>";
        assertThat(points(read(start + p(t("Fares")) + end + p(t("Times"))))).containsExactly("fares[", "Fares", "]fares", "Times");
        assertThat(points(read(p(start + t("Fares")) + end))).containsExactly("fares[", "Fares", "]fares");
        assertThat(points(read("<w:tbl><w:tr>" + start + "<w:tc>" + p(t("Fares")) + "</w:tc>" + end + "<w:tc>" + p(t("Times")) + "</w:tc></w:tr></w:tbl>"
                + p(""))))
                .containsExactly("fares[", "Fares", "]fares", "Times");
        assertThat(points(read("<w:tbl>" + start + "<w:tr><w:tc>" + p(t("Fares")) + "</w:tc></w:tr>" + end + "</w:tbl>" + p(t("Times")))))
                .containsExactly("fares[", "Fares", "]fares", "Times");
    }

    private static List<String> points(Taken taken) {
        return Walk.of(taken.document()).stops().stream().flatMap(stop -> stop.paragraph().inlines().stream())
                .map(inline -> inline instanceof Inline.BookmarkPoint point
                ? point.start() ? point.name() + "[" : "]" + point.name() : ((Inline.Text) inline).text()).toList();
    }

    /** 17.4.22: cells merged sideways in the older way. */
    @Test void cellsMergedInTheOlderWayAreOne() {
        String cell = "<w:tc><w:tcPr><w:hMerge%s/></w:tcPr>" + p(t("%s")) + "</w:tc>";
        Table table = (Table) read("<w:tbl><w:tblGrid><w:gridCol w:w=\"1000\"/><w:gridCol w:w=\"1000\"/><w:gridCol w:w=\"1000\"/></w:tblGrid><w:tr>"
                + String.format(cell, " w:val=\"restart\"", "Fares") + String.format(cell, "", "") + "<w:tc>" + p(t("Times")) + "</w:tc></w:tr></w:tbl>"
                + p(""))
                .document().blocks().get(0);
        assertThat(table.rows().get(0).cells()).extracting(Table.Cell::column, Table.Cell::columnSpan)
                .containsExactly(tuple(0, 2), tuple(2, 1));
    }
}
