package app.decant.xml;

import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;

/** The prefixes by which this program calls the namespaces of the formats it reads, transitional and strict alike. */
public final class XmlNames {
    public static final String W = "http://schemas.openxmlformats.org/wordprocessingml/2006/main";
    public static final String R = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    public static final String WP = "http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing";
    public static final String A = "http://schemas.openxmlformats.org/drawingml/2006/main";
    public static final String PIC = "http://schemas.openxmlformats.org/drawingml/2006/picture";
    public static final String MC = "http://schemas.openxmlformats.org/markup-compatibility/2006";
    public static final String WPS = "http://schemas.microsoft.com/office/word/2010/wordprocessingShape";
    public static final String WPG = "http://schemas.microsoft.com/office/word/2010/wordprocessingGroup";
    public static final String WPC = "http://schemas.microsoft.com/office/word/2010/wordprocessingCanvas";
    /** The prefixes of OpenDocument (ISO/IEC 26300-1), as its files use them, and what stands behind them. */
    public static final Map<String, String> OPEN_DOCUMENT = openDocument();
    private static final Map<String, String> PREFIXES = new HashMap<>();

    private static Map<String, String> openDocument() {
        Map<String, String> names = new LinkedHashMap<>();
        for (String name : new String[] {"office", "style", "text", "table", "drawing", "meta", "manifest"})
            names.put(name.equals("drawing") ? "draw" : name, "urn:oasis:names:tc:opendocument:xmlns:" + name + ":1.0");
        names.put("fo", "urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0");
        names.put("form", "urn:oasis:names:tc:opendocument:xmlns:form:1.0");
        names.put("svg", "urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0");
        names.put("number", "urn:oasis:names:tc:opendocument:xmlns:datastyle:1.0");
        names.put("xlink", "http://www.w3.org/1999/xlink");
        return Collections.unmodifiableMap(names);
    }

    static {
        OPEN_DOCUMENT.forEach((prefix, namespace) -> PREFIXES.put(namespace, prefix));
        PREFIXES.put(W, "w");
        PREFIXES.put("http://purl.oclc.org/ooxml/wordprocessingml/main", "w");
        PREFIXES.put(R, "r");
        PREFIXES.put("http://purl.oclc.org/ooxml/officeDocument/relationships", "r");
        PREFIXES.put(WP, "wp");
        PREFIXES.put("http://purl.oclc.org/ooxml/drawingml/wordprocessingDrawing", "wp");
        PREFIXES.put(A, "a");
        PREFIXES.put("http://purl.oclc.org/ooxml/drawingml/main", "a");
        PREFIXES.put(PIC, "pic");
        PREFIXES.put("http://purl.oclc.org/ooxml/drawingml/picture", "pic");
        PREFIXES.put(MC, "mc");
        PREFIXES.put(WPS, "wps");
        PREFIXES.put(WPG, "wpg");
        PREFIXES.put(WPC, "wpc");
        PREFIXES.put("urn:schemas-microsoft-com:vml", "v");
        PREFIXES.put("urn:schemas-microsoft-com:office:office", "o");
        PREFIXES.put("urn:schemas-microsoft-com:office:word", "w10");
        PREFIXES.put("http://schemas.openxmlformats.org/officeDocument/2006/math", "m");
        PREFIXES.put("http://schemas.openxmlformats.org/drawingml/2006/diagram", "dgm");
        PREFIXES.put("http://schemas.microsoft.com/office/drawing/2008/diagram", "dsp");
        PREFIXES.put("http://www.w3.org/1998/Math/MathML", "math");
        PREFIXES.put("urn:oasis:names:tc:opendocument:xmlns:chart:1.0", "chart");
        PREFIXES.put("http://schemas.openxmlformats.org/package/2006/relationships", "rel");
        PREFIXES.put("http://schemas.openxmlformats.org/package/2006/content-types", "ct");
        PREFIXES.put("http://schemas.openxmlformats.org/package/2006/metadata/core-properties", "cp");
        PREFIXES.put("http://purl.org/dc/elements/1.1/", "dc");
        PREFIXES.put("http://purl.org/dc/terms/", "dcterms");
        PREFIXES.put("http://schemas.openxmlformats.org/officeDocument/2006/extended-properties", "ep");
        PREFIXES.put("http://www.w3.org/XML/1998/namespace", "xml");
        PREFIXES.put("http://schemas.microsoft.com/office/word/2010/wordml", "w14");
        PREFIXES.put("http://schemas.openxmlformats.org/drawingml/2006/chart", "c");
        PREFIXES.put("http://schemas.openxmlformats.org/drawingml/2006/spreadsheetDrawing", "xdr");
        PREFIXES.put("http://schemas.openxmlformats.org/spreadsheetml/2006/main", "x");
        PREFIXES.put("http://purl.oclc.org/ooxml/spreadsheetml/main", "x");
    }

    private XmlNames() { }

    /** The namespace's prefix here; for an unknown one the prefix the file uses. */
    static String prefix(String namespace, String own) { return PREFIXES.getOrDefault(namespace, own == null ? "" : own); }
}
