package app.decant.format.rtf;

import static app.decant.format.Reading.paragraph;
import static app.decant.format.Reading.paragraphs;
import static app.decant.format.Reading.run;
import static app.decant.format.Reading.texts;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Comment;
import app.decant.document.Comments;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import app.decant.document.TrackedChanges;
import app.decant.font.FontCatalogue;
import app.decant.format.Formats;
import app.decant.format.Taken;
import app.decant.layout.Layout;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HexFormat;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Rich text as the specification describes it (Rich Text Format 1.9.1), control word by control word. */
class RtfReadingTest {
    private static final String FONTS = "{\\fonttbl{\\f0\\froman Caladea;}{\\f1\\fswiss "
            + "Carlito;}}{\\colortbl;\\red200\\green0\\blue0;\\red255\\green255\\blue0;}";

    private static Taken read(String body) { return bytes(("{\\rtf1\\ansi\\deff0" + FONTS + body + "}").getBytes(StandardCharsets.ISO_8859_1)); }
    private static Taken bytes(byte[] file) { return Formats.read(file, "test.rtf", null, Progress.SILENT); }

    /** Unicode 15, C10: a half of a surrogate pair alone is no character; whole pairs stay, even when they come as two control words. */
    @Test void halvesOfPairsBecomeTheSignForTheUnknown() {
        Document document = read("{\\info{\\title A\\u1  \\u-10240  B\\u-1 }}\\pard\\uc0 high \\u-10240 , low \\u-9216 , turned \\u-9216\\u-10240 , "
                + "whole \\u-10179\\u-8704 \\par").document();
        assertThat(texts(document)).containsExactly("high \uFFFD, low \uFFFD, turned \uFFFD\uFFFD, whole \uD83D\uDE00");
        assertThat(document.facts().title()).as("a space ends the control word, the next stands for the sign").isEqualTo("A \uFFFDB\uFFFD");
    }

    /** “Unicode RTF”: what stands for older readers is passed over up to the end of the group, counted in bytes, symbols as one. */
    @Test void whatStandsForOlderReadersIsPassedOverAndNoMore() {
        assertThat(texts(read("{\\b caf\\u233 }e\\par \\u8212\\emdash b\\par c\\u8211\\par d\\par \\u233\\'e9\\'41\\par \\uc2 \\u20013\\'d6\\'d0e\\par "
                + "{\\uc0 \\u233 f}\\u233 ?xg\\par \\uc1\\u233 ?h\\u-10179?\\u-8704?i\\u160\\~j").document()))
                .containsExactly("caf\u00E9e", "\u2014b", "c\u2013", "d", "\u00E9A", "\u4E2De", "\u00E9f\u00E9g", "\u00E9h\uD83D\uDE00i\u00A0j");
    }

    /** “Paragraph formatting properties”: measures are twips, a twentieth of a point. */
    @Test void paragraphsStandWhereTheySay() {
        Taken taken = read("\\pard\\qj\\li720\\ri360\\fi-360\\sb120\\sa240\\sl360\\slmult1\\keepn\\keep\\pagebb a\\par\\qc\\sl-280\\slmult0 "
                + "b\\par\\pard\\qr\\sl300 c\\par\\pard d\\par");
        Look a = paragraph(taken.document(), 0);
        assertThat(a.get(ParagraphProperty.ALIGNMENT)).isEqualTo(Alignment.JUSTIFY);
        assertThat(List.of(a.get(ParagraphProperty.INDENT_START), a.get(ParagraphProperty.INDENT_END), a.get(ParagraphProperty.FIRST_LINE),
                a.get(ParagraphProperty.SPACE_BEFORE), a.get(ParagraphProperty.SPACE_AFTER))).containsExactly(36.0, 18.0, -18.0, 6.0, 12.0);
        assertThat(a.get(ParagraphProperty.LINE_SPACING)).isEqualTo(new LineSpacing(LineSpacing.Rule.MULTIPLE, 1.5));
        assertThat(a.is(ParagraphProperty.KEEP_WITH_NEXT) && a.is(ParagraphProperty.KEEP_TOGETHER) && a.is(ParagraphProperty.PAGE_BREAK_BEFORE)).isTrue();
        Look b = paragraph(taken.document(), 1);
        assertThat(b.get(ParagraphProperty.ALIGNMENT)).isEqualTo(Alignment.CENTRE);
        assertThat(b.get(ParagraphProperty.INDENT_START)).as("what is not said anew goes on").isEqualTo(36);
        assertThat(b.get(ParagraphProperty.LINE_SPACING)).isEqualTo(new LineSpacing(LineSpacing.Rule.EXACTLY, 14));
        assertThat(paragraph(taken.document(), 2).get(ParagraphProperty.LINE_SPACING)).isEqualTo(new LineSpacing(LineSpacing.Rule.AT_LEAST, 15));
        Look d = paragraph(taken.document(), 3);
        assertThat(d.get(ParagraphProperty.ALIGNMENT)).as("\\pard begins anew").isIn(null, Alignment.START);
        assertThat(d.get(ParagraphProperty.INDENT_START)).isIn(null, 0.0);
    }

    /** “Tabs”: the kind and the leader stand before the place. */
    @Test void tabsHaveKindsAndLeaders() {
        Taken taken = read("\\pard\\tx1000\\tqr\\tldot\\tx9000\\tqdec\\tx4000\\tqc\\tlhyph\\tx2000 a\\tab b\\par");
        assertThat(paragraph(taken.document(), 0).get(ParagraphProperty.TABS).stops()).containsExactlyInAnyOrder(new TabStop(50, TabStop.Kind.START,
                TabStop.Leader.NONE), new TabStop(450, TabStop.Kind.END, TabStop.Leader.DOTS),
                new TabStop(200, TabStop.Kind.DECIMAL, TabStop.Leader.NONE), new TabStop(100, TabStop.Kind.CENTRE, TabStop.Leader.HYPHENS));
        assertThat(texts(taken.document())).containsExactly("a\tb");
    }

    /** “Font (character) formatting properties”: half points; a nought turns off; \plain begins anew; groups end what they began. */
    @Test void charactersLookAsTheySay() {
        Taken taken = read("\\pard\\fs28\\f1\\cf1\\b bold{\\i both}only\\b0 none\\plain\\fs20 plain {\\ul u}{\\uldb v}{\\strike s}\\par");
        Look bold = run(taken.document(), "bold");
        assertThat(bold.is(TextProperty.BOLD)).isTrue();
        assertThat(bold.get(TextProperty.SIZE)).isEqualTo(14);
        assertThat(bold.get(TextProperty.FAMILY)).isEqualTo("Carlito");
        assertThat(bold.get(TextProperty.COLOUR).hex()).isEqualTo("C80000");
        assertThat(run(taken.document(), "both").is(TextProperty.ITALIC)).isTrue();
        assertThat(run(taken.document(), "both").is(TextProperty.BOLD)).isTrue();
        assertThat(run(taken.document(), "only").is(TextProperty.ITALIC)).isFalse();
        assertThat(run(taken.document(), "none").is(TextProperty.BOLD)).isFalse();
        assertThat(run(taken.document(), "plain").get(TextProperty.FAMILY)).isEqualTo("Caladea");
        assertThat(run(taken.document(), "plain").get(TextProperty.SIZE)).isEqualTo(10);
        assertThat(run(taken.document(), "u").get(TextProperty.UNDERLINE)).isEqualTo(Underline.SINGLE);
        assertThat(run(taken.document(), "v").get(TextProperty.UNDERLINE)).isEqualTo(Underline.DOUBLE);
        assertThat(run(taken.document(), "s").is(TextProperty.STRIKE)).isTrue();
        Taken scripts = read("\\pard{\\super over}{\\sub under}{\\nosupersub level}\\par");
        assertThat(run(scripts.document(), "over").get(TextProperty.SCRIPT)).isEqualTo(Script.SUPER);
        assertThat(run(scripts.document(), "under").get(TextProperty.SCRIPT)).isEqualTo(Script.SUB);
        Taken more = read("\\pard{\\scaps small}{\\caps large}{\\highlight2 lit}{\\expndtw20 wide}{\\lang1031 deutsch}{\\charscalex80 narrow}{\\dn6 "
                + "low}{\\up6 high}\\par");
        assertThat(run(more.document(), "small").is(TextProperty.SMALL_CAPITALS)).isTrue();
        assertThat(run(more.document(), "large").is(TextProperty.CAPITALS)).isTrue();
        assertThat(run(more.document(), "lit").get(TextProperty.HIGHLIGHT).hex()).isEqualTo("FFFF00");
        assertThat(run(more.document(), "wide").get(TextProperty.LETTER_SPACING)).isEqualTo(1);
        assertThat(run(more.document(), "deutsch").get(TextProperty.LANGUAGE)).startsWith("de");
        assertThat(run(more.document(), "narrow").get(TextProperty.WIDTH_SCALE)).isCloseTo(0.8, within(1e-9));
        assertThat(run(more.document(), "low").get(TextProperty.RAISE)).isEqualTo(-3);
        assertThat(run(more.document(), "high").get(TextProperty.RAISE)).isEqualTo(3);
    }

    /** “Style sheet”: styles by number, with parents; headings by their outline level. */
    @Test void stylesAreLaidOverEachOther() {
        Taken taken = read("{\\stylesheet{\\s0\\fs24 Normal;}{\\s1\\sbasedon0\\b\\fs32\\outlinelevel0 heading 1;}{\\s2\\sbasedon1\\i\\outlinelevel1 "
                + "heading 2;}{\\*\\cs3\\cf1 Red;}}\\pard\\plain\\s1\\outlinelevel0\\b\\fs32 One\\par\\pard\\plain\\s2\\b\\i\\fs32 "
                + "Two\\par\\pard\\plain\\s0\\fs24 text {\\cs3\\cf1 red}\\par");
        Cascade cascade = Cascade.of(taken.document());
        assertThat(paragraphs(taken.document())).extracting(cascade::outlineLevel).containsExactly(1, 2, 0);
        assertThat(run(taken.document(), "Two").is(TextProperty.ITALIC) && run(taken.document(), "Two").is(TextProperty.BOLD)).isTrue();
        assertThat(run(taken.document(), "red").get(TextProperty.COLOUR).hex()).isEqualTo("C80000");
        assertThat(run(taken.document(), "text").is(TextProperty.BOLD)).isFalse();
    }

    /** “List tables”: a paragraph names an override, the override a list, the list its levels; the text that old readers show is not shown twice. */
    @Test void listsCountByTheirTables() {
        String level = "{\\listlevel\\levelnfc%d\\leveljc0\\levelfollow0\\levelstartat%d{\\leveltext%s;}{\\levelnumbers%s;}\\fi-360\\li%d}";
        String table = "{\\*\\listtable{\\list\\listtemplateid7" + level.formatted(0, 3, "\\'02\\'00.", "\\'01", 720)
                + level.formatted(4, 1, "\\'04\\'00\\'01)", "\\'01\\'02", 1440).replace("\\'04", "\\'03") + "{\\listname ;}\\listid55}}"
                + "{\\*\\listoverridetable{\\listoverride\\listid55\\listoverridecount0\\ls1}}";
        Taken taken = read(table + "\\pard\\ls1\\ilvl0{\\listtext 3.\\tab}first\\par\\ls1\\ilvl1{\\listtext "
                + "3a)\\tab}inner\\par\\pard\\ls1\\ilvl0{\\listtext 4.\\tab}second\\par\\pard none\\par");
        ListLabels labels = ListLabels.of(taken.document(), Cascade.of(taken.document()));
        assertThat(texts(taken.document())).containsExactly("first", "inner", "second", "none");
        assertThat(paragraphs(taken.document())).extracting(labels::label).containsExactly("3.", "3a)", "4.", null);
    }

    /** “Section formatting properties” and “Headers and footers”. */
    @Test void sectionsHaveTheirPagesAndFrames() {
        Taken taken = read("\\paperw11906\\paperh16838\\margl1440\\margr720\\margt1000\\margb1100\\sectd{\\header head\\par}{\\footer\\pard\\qc "
                + "{\\field{\\*\\fldinst PAGE}{\\fldrslt 1}}\\par}first\\par\\sect"
                + "\\sectd\\sbknone\\cols2\\colsx400\\linebetcol\\pgnstarts4\\pgnrestart\\pgnlcrm "
                        + "second\\par\\sect\\sectd\\lndscpsxn\\pgwsxn16838\\pghsxn11906 third\\par");
        List<Section> sections = taken.document().sections();
        assertThat(sections).hasSize(3);
        Section.PageGeometry page = sections.get(0).page();
        assertThat(List.of(page.width(), page.height(), page.left(), page.right(), page.top(), page.bottom())).containsExactly(595.3, 841.9, 72.0, 36.0,
                50.0, 55.0);
        assertThat(((Paragraph) sections.get(0).frames().get(Section.FramePlace.HEADER).get(0)).plainText()).isEqualTo("head");
        Paragraph foot = (Paragraph) sections.get(0).frames().get(Section.FramePlace.FOOTER).get(0);
        assertThat(foot.inlines()).filteredOn(inline -> inline instanceof Inline.Field field && field.kind() == Inline.Field.Kind.PAGE).hasSize(1);
        assertThat(sections.get(1).start()).isEqualTo(Section.Start.CONTINUOUS);
        assertThat(sections.get(1).columns()).isEqualTo(new Section.Columns(2, 20, true, List.of()));
        assertThat(sections.get(1).numbering()).isEqualTo(new Section.PageNumbering(NumberFormat.LOWER_ROMAN, 4));
        assertThat(sections.get(2).page().isLandscape()).isTrue();
    }

    /** “Bookmarks”, “Fields”, “Hyperlinks”: places, links to them, references that stay live. */
    @Test void placesAndReferencesStayLive() {
        Taken taken = read("\\pard{\\*\\bkmkstart berth}Outer berth{\\*\\bkmkend berth}\\par See {\\field{\\*\\fldinst { PAGEREF berth \\\\h }}{\\fldrslt "
                + "1}} and {\\field{\\*\\fldinst HYPERLINK \\\\l \"berth\"}{\\fldrslt there}}, {\\field{\\*\\fldinst NUMPAGES}{\\fldrslt 9}}\\par");
        List<Inline> first = paragraphs(taken.document()).get(0).inlines();
        assertThat(first).contains(new Inline.BookmarkPoint("berth", true), new Inline.BookmarkPoint("berth", false));
        List<Inline> second = paragraphs(taken.document()).get(1).inlines();
        assertThat(second.stream().filter(inline -> inline instanceof Inline.Field).map(inline -> ((Inline.Field) inline).kind()))
                .containsExactly(Inline.Field.Kind.PAGE_REFERENCE, Inline.Field.Kind.PAGES);
        assertThat(run(taken.document(), "there").get(TextProperty.LINK)).isEqualTo(new Link.Inside("berth"));
    }

    /** “Pictures”: as digits or as counted bytes; beside a newer one the older is left out; the size is the goal, scaled. */
    @Test void picturesComeAsDigitsOrBytes() {
        byte[] png = HexFormat.of()
                .parseHex("89504e470d0a1a0a0000000d4948445200000001000000010802000000907753de"
                    + "0000000c4944415408d763f8ffff3f0005fe02fedccc59e70000000049454e44ae426082");
        String digits = "{\\*\\shppict{\\pict\\pngblip\\picwgoal1440\\pichgoal720\\picscalex50\\picscaley100 " + HexFormat.of().formatHex(png)
                + "}}{\\nonshppict{\\pict\\wmetafile8 0100}}";
        Taken taken = read("\\pard a" + digits + "b{\\pict\\pngblip\\picwgoal720\\pichgoal720\\bin" + png.length + " "
                + new String(png, StandardCharsets.ISO_8859_1) + "}c\\par");
        List<Inline.InlinePicture> pictures = paragraphs(taken.document()).get(0).inlines().stream().filter(inline -> inline instanceof Inline.InlinePicture)
                .map(inline -> (Inline.InlinePicture) inline).toList();
        assertThat(pictures).hasSize(2).allSatisfy(picture -> assertThat(picture.picture().image().bytes()).isEqualTo(png));
        assertThat(pictures.get(0).picture().width()).isEqualTo(36);
        assertThat(pictures.get(0).picture().height()).isEqualTo(36);
        assertThat(pictures.get(1).picture().width()).isEqualTo(36);
        assertThat(texts(taken.document()).get(0).replace("\uFFFC", "")).isEqualTo("abc");
    }

    /** “Information group”. */
    @Test void factsComeAlong() {
        Taken taken = read("{\\info{\\title Harbour notice}{\\subject Works}{\\author Ina Tollmark}{\\keywords pier, "
                + "works}{\\creatim\\yr2005\\mo3\\dy4\\hr10\\min30}}\\pard a\\par");
        assertThat(taken.document().facts().title()).isEqualTo("Harbour notice");
        assertThat(taken.document().facts().subject()).isEqualTo("Works");
        assertThat(taken.document().facts().author()).isEqualTo("Ina Tollmark");
        assertThat(taken.document().facts().keywords()).isEqualTo("pier, works");
        assertThat(taken.document().facts().created().atOffset(ZoneOffset.UTC).toLocalDate()).isBetween(LocalDate.of(2005, 3, 3), LocalDate.of(2005, 3, 5));
    }

    /** “Unicode RTF”: how many letters stand in for one is said by \\uc, and belongs to the group; a negative number is above 32767. */
    @Test void standInsAreSkippedAsManyAsSaid() {
        assertThat(texts(read("\\pard\\uc0\\u1055\\u1088 x\\par").document())).containsExactly("Пр" + "x");
        assertThat(texts(read("\\pard\\uc2\\u1055 ??y{\\uc1\\u1088 ?z}\\par").document())).containsExactly("Пyрz");
        assertThat(texts(read("\\pard\\uc1\\u-10179 ?\\u-8704 ?\\par").document())).containsExactly("\uD83D\uDE00");
        assertThat(texts(read("\\pard\\uc1\\u8364 \\'80!\\par").document())).as("an escaped letter counts as one").containsExactly("€!");
    }

    /** “Font table”: letters above 127 are those of the font's code page, two bytes in East Asian ones. */
    @Test void codePagesOfFontsAreUsed() {
        byte[] file = ("{\\rtf1\\ansi\\ansicpg1252{\\fonttbl{\\f0\\fcharset0 Caladea;}{\\f1\\fcharset128 Gothic;}{\\f2\\fcharset161 "
                + "Carlito;}}\\pard\\f1\\'93\\'fa\\'96\\'7b\\f2\\'e1\\'e2\\f0\\'e4\\par}").getBytes(StandardCharsets.US_ASCII);
        assertThat(texts(bytes(file).document())).containsExactly("日本αβä");
    }

    /** “Table definitions”: nested tables stand within a cell; heads, heights and padding are the row's. */
    @Test void rowsTellHowTheyBehave() {
        Taken taken = read("\\trowd\\trhdr\\trkeep\\trrh-400\\trpaddl100\\trpaddfl3\\clvertalc\\clcbpat2\\cellx3000\\cellx6000\\pard\\intbl a\\cell "
                + "b\\cell\\row\\trowd\\cellx6000\\pard\\intbl c\\par d\\cell\\row\\pard end\\par");
        Table table = (Table) taken.document().blocks().get(0);
        Look row = table.rows().get(0).look();
        assertThat(row.is(TableProperty.HEADER_ROW) && row.is(TableProperty.KEEP_ROW) && row.is(TableProperty.ROW_HEIGHT_EXACT)).isTrue();
        assertThat(row.get(TableProperty.ROW_HEIGHT)).isEqualTo(20);
        assertThat(table.rows().get(0).cells().get(0).look().get(TableProperty.SHADING).hex()).isEqualTo("FFFF00");
        assertThat(table.rows().get(0).cells().get(0).look().get(TableProperty.VERTICAL_ALIGNMENT).name()).isIn("CENTRE", "MIDDLE");
        assertThat(table.rows().get(1).cells()).singleElement().satisfies(cell -> {
            assertThat(cell.columnSpan()).isEqualTo(2);
            assertThat(cell.blocks()).hasSize(2);
        });
        assertThat(texts(taken.document())).containsExactly("end");
    }

    @Test void nestedTablesStandWithinACell() {
        Taken taken = read("\\trowd\\cellx6000\\pard\\intbl before\\par\\pard\\intbl\\itap2 x\\nestcell{\\nonesttables\\par}\\pard\\intbl\\itap2 "
                + "y\\nestcell{\\nonesttables\\par}{\\*\\nesttableprops\\trowd\\cellx2000\\cellx4000\\nestrow}{\\nonesttables\\par}\\pard\\intbl "
                + "after\\cell\\row\\pard end\\par");
        Table outer = (Table) taken.document().blocks().get(0);
        List<Block> inside = outer.rows().get(0).cells().get(0).blocks();
        assertThat(inside).anySatisfy(block -> {
            assertThat(block).isInstanceOf(Table.class);
            assertThat(((Table) block).rows().get(0).cells()).extracting(cell -> ((Paragraph) cell.blocks().get(0)).plainText()).containsExactly("x", "y");
        });
        assertThat(inside).filteredOn(block -> block instanceof Paragraph).extracting(block -> ((Paragraph) block).plainText()).startsWith("before")
                .contains("after");
    }

    /** “Track changes” and “Comments”: both come in with their authors; a comment without a range hangs on the letter before it. */
    @Test void changesAndCommentsComeInWithTheirAuthors() {
        Taken taken = read("{\\*\\revtbl{Unknown;}{Bram Keel;}}\\pard The {\\deleted\\revauthdel1 old }{\\revised\\revauth1 new }pier{\\*\\atnid "
                + "BK}{\\*\\atnauthor Bram Keel}\\chatn{\\*\\annotation why?}{\\v secret}\\par");
        assertThat(texts(TrackedChanges.settled(taken.document(), true)).get(0)).startsWith("The new pier");
        assertThat(texts(TrackedChanges.settled(taken.document(), false)).get(0)).startsWith("The old pier");
        assertThat(run(taken.document(), "old").get(TextProperty.TRACKED)).isEqualTo(TrackedChange.deleted("Bram Keel", null));
        assertThat(Comments.of(run(taken.document(), "pie"))).isEmpty();
        Comment comment = Comments.borne(taken.document()).keySet().iterator().next();
        assertThat(comment.remark()).isEqualTo(new Comment.Remark("Bram Keel", null, "why?"));
        assertThat(taken.findings()).isEmpty();
        Document document = taken.document();
        assertThat(paragraphs(taken.document()).get(0).inlines()).as("hidden text is kept, but hidden").filteredOn(inline -> inline.look()
                .is(TextProperty.HIDDEN) || inline instanceof Inline.Text text && text.text().contains("secret")).allMatch(inline -> inline.look()
                .is(TextProperty.HIDDEN));
        assertThat(Layout.of(document, FontCatalogue.shipped()).count()).isEqualTo(1);
    }

    /** “Destinations”: behind {@code \\*} a reader passes over whole groups that it does not know, whether or not the word itself is one of the standard's. */
    @Test void groupsBehindAStarLeaveNoTraceInTheText() {
        for (String group : List.of("{\\*\\pnseclvl1\\pnlcrm{\\pntxta 2450...)}}", "{\\*\\unheardof 304011693}", "{\\*\\unheardof{\\b inner}{more}}",
                "{\\*\\rsidtbl \\rsid304011693}", "{\\*\\template C:\\\\office.dot}", "{\\*\\wgrffmtfilter 2450}")) {
            Taken taken = read(group + "\\pard before " + group + "after\\par");
            assertThat(taken.document().blocks()).as(group).hasSize(1);
            assertThat(((Paragraph) taken.document().blocks().get(0)).plainText()).as(group).isEqualTo("before after");
        }
    }

    /** “Pictures”: an identifier stands in a group of its own before the picture's digits. */
    @Test void picturesWithAnIdentifierAreWhole() {
        String png = "89504e470d0a1a0a0000000d4948445200000001000000010806000000"
                + "1f15c4890000000d49444154789c6360f8cfc0f01f00050001ff56c72f0d0000000049454e44ae426082";
        Taken taken = read("\\pard{\\pict\\pngblip\\picwgoal240\\pichgoal240{\\*\\blipuid 0123456789abcdef0123456789abcdef}" + png + "}\\par");
        assertThat(((Paragraph) taken.document().blocks().get(0)).inlines()).filteredOn(inline -> inline instanceof Inline.InlinePicture).singleElement()
                .satisfies(inline -> assertThat(((Inline.InlinePicture) inline).picture().image().bytes()).isEqualTo(HexFormat.of().parseHex(png)));
    }

    /** “Binary data”: a length that the file does not have asks for no memory. */
    @Test void binaryDataLongerThanTheFileEndsItWithAWord() {
        for (String length : List.of("2147483647", "99999999999999999999", "100000")) {
            Taken taken = read("\\pard kept\\par{\\pict\\wmetafile8\\bin" + length + " abc}");
            assertThat(((Paragraph) taken.document().blocks().get(0)).plainText()).isEqualTo("kept");
            assertThat(taken.findings()).extracting(Finding::what).containsExactly("The file is damaged; what could be read of it is here.");
        }
        assertThat(read("\\pard whole{\\*\\data\\bin3 }}}}\\par").findings()).isEmpty();
    }
}
