package org.grammatus.core.drawing;

import java.io.StringReader;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * Reads the part of SVG 1.1 that a logo needs: groups and shapes in plain colours, moved and turned. Everything else is refused with what
 * it is and its line, since what is left out would be missing on paper without a word: text, pictures, gradients, see-through
 * parts, style sheets, scripts, links. What is of other namespaces says nothing of how it looks and is passed over.
 */
public final class SvgFile {

    /** The most steps of all outlines together. */
    static final int MOST_STEPS = 20_000;

    private static final String NAMESPACE = "http://www.w3.org/2000/svg";
    private static final Set<String> SHAPES =
            Set.of("path", "rect", "circle", "ellipse", "line", "polyline", "polygon");
    private static final Set<String> SAYING_NOTHING = Set.of("title", "desc", "metadata", "defs");
    private static final Set<String> SEE_THROUGH = Set.of("opacity", "fill-opacity", "stroke-opacity");
    private static final Set<String> NOT_DRAWN = Set.of(
            "filter",
            "mask",
            "clip-path",
            "stroke-dasharray",
            "vector-effect",
            "paint-order",
            "mix-blend-mode",
            "marker",
            "marker-start",
            "marker-mid",
            "marker-end",
            "href");
    private static final Set<String> NONE = Set.of("none", "normal", "");

    private final XMLStreamReader xml;
    private final Deque<Element> open = new ArrayDeque<>();
    private final List<Shape> shapes = new ArrayList<>();
    private int steps;
    private double width;
    private double height;

    /** What an open element hands down. */
    private record Element(SvgPaint paint, Affine place, boolean shown) {}

    private SvgFile(XMLStreamReader xml) {
        this.xml = xml;
    }

    /**
     * Reads a document.
     *
     * @throws IllegalArgumentException with what is wrong with it and in which line, in words
     */
    public static Drawing read(String document) {
        // The JDK's own reader: no document type is followed, nothing is fetched.
        XMLInputFactory readers = XMLInputFactory.newDefaultFactory();
        readers.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        readers.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        try {
            XMLStreamReader xml = readers.createXMLStreamReader(new StringReader(document));
            try {
                return new SvgFile(xml).all();
            } finally {
                xml.close();
            }
        } catch (XMLStreamException e) {
            int line = e.getLocation() == null ? 1 : e.getLocation().getLineNumber();
            throw new IllegalArgumentException("it is no sound XML from line " + line + " on", e);
        }
    }

    private Drawing all() throws XMLStreamException {
        while (xml.hasNext()) {
            switch (xml.next()) {
                case XMLStreamConstants.START_ELEMENT -> start();
                case XMLStreamConstants.END_ELEMENT -> open.pop();
                default -> {}
            }
        }
        if (shapes.isEmpty()) {
            throw new IllegalArgumentException("there is nothing in it to be drawn");
        }
        return new Drawing(width, height, shapes);
    }

    private void start() throws XMLStreamException {
        String name = xml.getLocalName();
        boolean ours = NAMESPACE.equals(xml.getNamespaceURI());
        if (open.isEmpty() && !(ours && name.equals("svg"))) {
            throw new IllegalArgumentException("it is no SVG document: it begins with <" + name + ">");
        }
        if (!ours || SAYING_NOTHING.contains(name)) {
            pass();
            return;
        }
        int line = xml.getLocation().getLineNumber();
        try {
            element(name);
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("line " + line + ": " + e.getMessage(), e);
        }
    }

    /** Goes to the end of an element of which nothing is drawn. */
    private void pass() throws XMLStreamException {
        for (int depth = 1; depth > 0; ) {
            int event = xml.next();
            depth += event == XMLStreamConstants.START_ELEMENT ? 1 : event == XMLStreamConstants.END_ELEMENT ? -1 : 0;
        }
    }

    private void element(String name) {
        Map<String, String> said = said();
        Element around = open.isEmpty() ? new Element(SvgPaint.AT_FIRST, Affine.NONE, true) : open.peek();
        Affine place = around.place();
        if (open.isEmpty()) {
            place = field(said);
        } else if (!name.equals("g") && !SHAPES.contains(name)) {
            throw new IllegalArgumentException("<" + name + "> is not drawn, expected shapes in plain colours alone");
        }
        if (said.containsKey("transform")) {
            place = place.after(Affine.of(said.get("transform")));
        }
        if (!place.isSound()) {
            throw new IllegalArgumentException("its transform makes it too large");
        }
        boolean shown = around.shown()
                && !"none".equals(said.get("display"))
                && !"hidden".equals(said.getOrDefault("visibility", "visible"));
        Element element = new Element(around.paint().with(said), place, shown);
        open.push(element);
        if (shown && SHAPES.contains(name)) {
            draw(name, said, element);
        }
    }

    /** The attributes of an element, those in its {@code style} among them, none of which is refused. */
    private Map<String, String> said() {
        Map<String, String> said = new HashMap<>();
        for (int i = 0; i < xml.getAttributeCount(); i++) {
            said.put(xml.getAttributeLocalName(i), xml.getAttributeValue(i));
        }
        for (String declaration : said.getOrDefault("style", "").split(";")) {
            int colon = declaration.indexOf(':');
            if (colon > 0) {
                said.put(
                        declaration.substring(0, colon).strip(),
                        declaration.substring(colon + 1).strip());
            }
        }
        said.forEach((property, value) -> {
            if (property.startsWith("on")
                    || NOT_DRAWN.contains(property) && !NONE.contains(value.strip())
                    || SEE_THROUGH.contains(property) && !value.strip().matches("1|1\\.0*|100%")) {
                throw new IllegalArgumentException(property + "=\"" + value + "\" is not drawn; save it without");
            }
        });
        return said;
    }

    /** Takes the field of the drawing, and says how it is moved so that its corner is where places begin. */
    private Affine field(Map<String, String> said) {
        if (said.containsKey("viewBox")) {
            List<Double> box = SvgNumbers.list(said.get("viewBox"));
            if (box.size() == 4) {
                return field(box.get(0), box.get(1), box.get(2), box.get(3));
            }
        } else if (said.containsKey("width") && said.containsKey("height")) {
            return field(0, 0, SvgNumbers.length(said.get("width")), SvgNumbers.length(said.get("height")));
        }
        throw new IllegalArgumentException("it does not say how large it is; save it with a viewBox");
    }

    private Affine field(double left, double top, double wide, double high) {
        if (wide <= 0 || high <= 0) {
            throw new IllegalArgumentException("it has no size");
        }
        width = wide;
        height = high;
        return new Affine(1, 0, 0, 1, -left, -top);
    }

    private void draw(String name, Map<String, String> said, Element element) {
        List<Step> outline =
                SvgShapes.outline(name, said).stream().map(element.place()::of).toList();
        steps += outline.size();
        if (steps > MOST_STEPS) {
            throw new IllegalArgumentException("it has more than " + MOST_STEPS + " corners and curves; simplify it");
        }
        Shape shape = new Shape(
                outline,
                name.equals("line") ? Optional.empty() : element.paint().fill(),
                element.paint().evenOdd(),
                element.paint().line(element.place()));
        if (!outline.isEmpty() && (shape.fill().isPresent() || shape.stroke().isPresent())) {
            shapes.add(shape);
        }
    }
}
