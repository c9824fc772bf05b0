package app.decant.format.kept;

import app.decant.document.Block;
import app.decant.document.Contents;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Markup;
import app.decant.document.OpaqueBlock;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Property;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.StreamWriteConstraints;
import com.fasterxml.jackson.core.json.JsonWriteFeature;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.ObjectReader;
import com.fasterxml.jackson.databind.ObjectWriter;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.fasterxml.jackson.databind.deser.std.StdDeserializer;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.jsontype.TypeSerializer;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.ser.std.StdSerializer;
import java.io.IOException;
import java.lang.reflect.Field;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntFunction;

/**
 * How the values of documents read as JSON: records by their components, kinds told by a word, what is null left out. A look is written where it first
 * stands, and by its number after that.
 */
final class KeptValues {
    private static final int DEEPEST = 40_000;
    private static final Map<String, Property<?>> PROPERTIES = properties();
    /** Under these the numbers of looks and bytes are found while one document is written or read. */
    private static final String LOOKS = "looks";
    private static final String BYTES = "bytes";
    private static final String IMAGES = "images";

    static final JsonMapper MAPPER = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder().maxNestingDepth(DEEPEST).maxStringLength(Integer.MAX_VALUE).build())
                    .streamWriteConstraints(StreamWriteConstraints.builder().maxNestingDepth(DEEPEST).build())
                    // Halves of surrogate pairs pass too, since all is escaped.
                    .enable(JsonWriteFeature.ESCAPE_NON_ASCII).build())
            .visibility(PropertyAccessor.ALL, Visibility.NONE).visibility(PropertyAccessor.FIELD, Visibility.ANY)
            .visibility(PropertyAccessor.CREATOR, Visibility.ANY)
            .serializationInclusion(JsonInclude.Include.NON_NULL)
            .addMixIn(Block.class, Blocks.class).addMixIn(Inline.class, Inlines.class).addMixIn(Inline.Floating.Content.class, Contained.class)
            .addMixIn(Link.class, Links.class)
            .addModule(module()).build();

    private KeptValues() { }

    static ObjectWriter writer(Bytes bytes) {
        return MAPPER.writer().withAttribute(LOOKS, new HashMap<Look, Integer>()).withAttribute(BYTES, bytes)
                .withAttribute(IMAGES, new HashMap<Image, Integer>());
    }

    /** @param bytes gives the bytes of a number, or null */
    static ObjectReader reader(IntFunction<byte[]> bytes) {
        return MAPPER.reader().withAttribute(LOOKS, new ArrayList<Look>()).withAttribute(BYTES, bytes).withAttribute(IMAGES, new ArrayList<Image>());
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "is")
    @JsonSubTypes({@JsonSubTypes.Type(value = Paragraph.class, name = "paragraph"), @JsonSubTypes.Type(value = Table.class, name = "table"),
            @JsonSubTypes.Type(value = Contents.class, name = "contents"), @JsonSubTypes.Type(value = OpaqueBlock.class, name = "kept")})
    private interface Blocks { }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "is")
    @JsonSubTypes({@JsonSubTypes.Type(value = Inline.Text.class, name = "text"), @JsonSubTypes.Type(value = Inline.InlinePicture.class, name = "picture"),
            @JsonSubTypes.Type(value = Inline.Floating.class, name = "floating"), @JsonSubTypes.Type(value = Inline.Field.class, name = "field"),
            @JsonSubTypes.Type(value = Inline.Note.class, name = "note"), @JsonSubTypes.Type(value = Inline.BookmarkPoint.class, name = "bookmark"),
            @JsonSubTypes.Type(value = Inline.OpaqueInline.class, name = "kept")})
    private interface Inlines { }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "is")
    @JsonSubTypes({@JsonSubTypes.Type(value = Picture.class, name = "picture"), @JsonSubTypes.Type(value = TextBox.class, name = "box")})
    private interface Contained { }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "is")
    @JsonSubTypes({@JsonSubTypes.Type(value = Link.Address.class, name = "address"), @JsonSubTypes.Type(value = Link.Inside.class, name = "inside")})
    private interface Links { }

    /** All properties by their names. */
    private static Map<String, Property<?>> properties() {
        Map<String, Property<?>> all = new HashMap<>();
        for (Class<?> holder : List.of(TextProperty.class, ParagraphProperty.class, TableProperty.class, Markup.class)) {
            for (Field field : holder.getFields()) {
                try {
                    if (field.get(null) instanceof Property<?> property && all.put(property.name(), property) != null)
                        throw new IllegalStateException("Two properties are called " + property);
                } catch (IllegalAccessException e) {
                    throw new IllegalStateException(e);
                }
            }
        }
        return all;
    }

    private static SimpleModule module() {
        SimpleModule module = new SimpleModule();
        module.addSerializer(Look.class, new LookWriter()).addDeserializer(Look.class, new LookReader());
        module.addSerializer(byte[].class, new BytesWriter()).addDeserializer(byte[].class, new BytesReader());
        module.addSerializer(Image.class, new ImageWriter()).addDeserializer(Image.class, new ImageReader());
        module.addSerializer(Instant.class, new InstantWriter()).addDeserializer(Instant.class, new InstantReader());
        return module;
    }

    @SuppressWarnings("unchecked")
    private static <T> T known(Object attribute) { return (T) attribute; }

    private static final class LookWriter extends StdSerializer<Look> {
        LookWriter() { super(Look.class); }

        @Override public void serialize(Look look, JsonGenerator json, SerializerProvider provider) throws IOException {
            Map<Look, Integer> looks = known(provider.getAttribute(LOOKS));
            Integer number = looks.get(look);
            if (number != null) {
                json.writeNumber(number);
                return;
            }
            json.writeStartObject();
            for (Property<?> property : look.properties().stream().sorted((one, other) -> one.name().compareTo(other.name())).toList()) {
                Object value = look.get(property);
                json.writeFieldName(property.name());
                provider.findTypedValueSerializer(value.getClass(), true, null).serialize(value, json, provider);
            }
            json.writeEndObject();
            looks.put(look, looks.size());
        }

        @Override public void serializeWithType(Look look, JsonGenerator json, SerializerProvider provider, TypeSerializer type) throws IOException {
            serialize(look, json, provider);
        }
    }

    private static final class LookReader extends StdDeserializer<Look> {
        LookReader() { super(Look.class); }

        @Override public Look deserialize(JsonParser json, DeserializationContext context) throws IOException {
            List<Look> looks = known(context.getAttribute(LOOKS));
            if (json.currentToken() == JsonToken.VALUE_NUMBER_INT) {
                int number = json.getIntValue();
                if (number < 0 || number >= looks.size()) throw context.weirdNumberException(number, Look.class, "no such look");
                return looks.get(number);
            }
            Look look = Look.PLAIN;
            for (String name = json.nextFieldName(); name != null; name = json.nextFieldName()) {
                Property<?> property = PROPERTIES.get(name);
                if (property == null) throw context.weirdKeyException(Look.class, name, "no such property");
                json.nextToken();
                look = with(look, property, json, context);
            }
            looks.add(look);
            return look;
        }

        private static <T> Look with(Look look, Property<T> property, JsonParser json, DeserializationContext context) throws IOException {
            return look.with(property, context.readValue(json, property.type()));
        }
    }

    private static final class BytesWriter extends StdSerializer<byte[]> {
        BytesWriter() { super(byte[].class); }

        @Override public void serialize(byte[] bytes, JsonGenerator json, SerializerProvider provider) throws IOException {
            Bytes all = known(provider.getAttribute(BYTES));
            json.writeNumber(all.number(bytes));
        }
    }

    private static final class BytesReader extends StdDeserializer<byte[]> {
        BytesReader() { super(byte[].class); }

        @Override public byte[] deserialize(JsonParser json, DeserializationContext context) throws IOException {
            IntFunction<byte[]> all = known(context.getAttribute(BYTES));
            byte[] bytes = all.apply(json.getIntValue());
            if (bytes == null) throw context.weirdNumberException(json.getIntValue(), byte[].class, "no such bytes");
            return bytes;
        }
    }

    /** A picture file that stands in many places stays one. */
    private static final class ImageWriter extends StdSerializer<Image> {
        ImageWriter() { super(Image.class); }

        @Override public void serialize(Image image, JsonGenerator json, SerializerProvider provider) throws IOException {
            Map<Image, Integer> images = known(provider.getAttribute(IMAGES));
            Integer number = images.putIfAbsent(image, images.size());
            if (number != null) {
                json.writeNumber(number);
                return;
            }
            json.writeStartArray();
            json.writeString(image.type());
            provider.defaultSerializeValue(image.bytes(), json);
            json.writeEndArray();
        }
    }

    private static final class ImageReader extends StdDeserializer<Image> {
        ImageReader() { super(Image.class); }

        @Override public Image deserialize(JsonParser json, DeserializationContext context) throws IOException {
            List<Image> images = known(context.getAttribute(IMAGES));
            if (json.currentToken() == JsonToken.VALUE_NUMBER_INT) {
                int number = json.getIntValue();
                if (number < 0 || number >= images.size()) throw context.weirdNumberException(number, Image.class, "no such picture");
                return images.get(number);
            }
            String type = json.nextTextValue();
            json.nextToken();
            Image image = new Image(type, context.readValue(json, byte[].class));
            if (json.nextToken() != JsonToken.END_ARRAY) throw context.wrongTokenException(json, Image.class, JsonToken.END_ARRAY, "a picture");
            images.add(image);
            return image;
        }
    }

    private static final class InstantWriter extends StdSerializer<Instant> {
        InstantWriter() { super(Instant.class); }

        @Override public void serialize(Instant instant, JsonGenerator json, SerializerProvider provider) throws IOException {
            json.writeString(instant.toString());
        }
    }

    private static final class InstantReader extends StdDeserializer<Instant> {
        InstantReader() { super(Instant.class); }

        @Override public Instant deserialize(JsonParser json, DeserializationContext context) throws IOException {
            try {
                return Instant.parse(json.getText());
            } catch (DateTimeException e) {
                throw (IOException) context.weirdStringException(json.getText(), Instant.class, "no time").initCause(e);
            }
        }
    }
}
