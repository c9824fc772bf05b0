package app.decant.document;

import app.decant.words.Message;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Where a link leads: out, to a web or mail address, or to a {@link BookmarkPoint} of this document. */
public sealed interface Link {
    /** To an address, kept as written. */
    record Address(String uri) implements Link {
        /** Schemes of addresses that are safe to give to anybody: they open a page, a mail or a telephone, and run nothing. */
        public static final Set<String> USUAL = Set.of("http", "https", "mailto", "tel");

        /** Stands among schemes for addresses that have none and lead to a file beside the document. */
        public static final String RELATIVE = "relative";

        /** In no address as they are (RFC 3986, 2). */
        private static final String NEVER = "\"<>\\^`{|}";

        private static final Pattern SCHEME = Pattern.compile("([A-Za-z][A-Za-z0-9+.-]*):.*", Pattern.DOTALL);

        /**
         * Its scheme in small letters (RFC 3986, 3.1), as programs understand it that overlook spaces and control characters. A drive or a place on the
         * network is a {@code file}.
         */
        public String scheme() {
            String plain = uri.replaceAll("[\\p{Cntrl}\\s\\p{Z}\\p{Cf}]+", "");
            if (plain.startsWith("\\\\") || plain.startsWith("//") || plain.matches("[A-Za-z]:[\\\\/].*")) return "file";
            Matcher matcher = SCHEME.matcher(plain);
            return matcher.matches() ? matcher.group(1).toLowerCase(Locale.ROOT) : RELATIVE;
        }

        /** As other programs can read it: characters that no address may hold are written by their UTF-8 bytes (RFC 3987, 2.2). */
        public String iri() { return encoded(false); }

        /** Likewise, where characters that are not ASCII may not stand either (RFC 3987, 3.1). */
        public String ascii() { return encoded(true); }

        private String encoded(boolean ascii) {
            StringBuilder text = new StringBuilder();
            uri.strip().codePoints().forEach(one -> {
                boolean stands = one > ' ' && one < 127 && NEVER.indexOf(one) < 0 || !ascii && one > 160 && Character.isDefined(one)
                        && !Character.isSpaceChar(one);
                if (stands) text.appendCodePoint(one);
                else for (byte b : Character.toString(one).getBytes(StandardCharsets.UTF_8)) text.append(String.format("%%%02X", b & 0xFF));
            });
            return text.toString();
        }

        /** What is told where links were left out of a result. */
        public static Finding leftOut(String scheme, int count) {
            boolean relative = scheme.equals(RELATIVE);
            if (count == 1) return Finding.changed(Message.of("document.a-link-that-begins-with-was-left", relative, scheme));
            return Finding.changed(Message.of("document.links-that-begin-with-were-left", count, relative, scheme));
        }

        /** Whether it may stand in a result. @param others schemes besides the usual ones */
        public boolean passes(Set<String> others) { return USUAL.contains(scheme()) || others.contains(scheme()); }
    }

    /** To a bookmark of the same document. */
    record Inside(String bookmark) implements Link { }
}
