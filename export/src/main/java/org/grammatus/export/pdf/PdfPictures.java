package org.grammatus.export.pdf;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Base64;
import java.util.Optional;
import org.grammatus.core.drawing.Drawing;
import org.grammatus.core.drawing.Shape;
import org.grammatus.core.drawing.Step;
import org.grammatus.core.page.Page;
import org.grammatus.core.plan.style.Picture;
import org.openpdf.text.DocumentException;
import org.openpdf.text.Image;
import org.openpdf.text.pdf.PdfContentByte;

/** Paints the pictures of a page: dots as an image, drawings as paths (ISO 32000-1, 8.5), sharp at any size. */
final class PdfPictures {

    private PdfPictures() {}

    static void draw(Page page, PdfContentByte content) throws DocumentException {
        for (Page.PictureBox box : page.drawings().pictures()) {
            float left = box.x() / PdfPainter.HUNDREDTHS;
            float bottom = PdfPainter.up(page, box.y() + box.picture().height());
            switch (box.picture()) {
                case Picture.Dots dots -> dots(dots, left, bottom, content);
                case Picture.Drawn drawn -> drawing(drawn, left, bottom, content);
            }
        }
    }

    private static float points(int hundredths) {
        return hundredths / PdfPainter.HUNDREDTHS;
    }

    private static void dots(Picture.Dots picture, float left, float bottom, PdfContentByte content)
            throws DocumentException {
        try {
            Image image = Image.getInstance(Base64.getDecoder().decode(picture.content()));
            image.scaleAbsolute(points(picture.width()), points(picture.height()));
            image.setAbsolutePosition(left, bottom);
            content.addImage(image);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void drawing(Picture.Drawn picture, float left, float bottom, PdfContentByte content) {
        Drawing drawing = picture.drawing();
        content.saveState();
        content.rectangle(left, bottom, points(picture.width()), points(picture.height()));
        content.clip();
        content.newPath();
        float scale = (float) (points(picture.width()) / drawing.width());
        content.concatCTM(scale, 0, 0, -scale, left, bottom + points(picture.height()));
        drawing.shapes().forEach(shape -> shape(shape, content));
        content.restoreState();
    }

    private static void shape(Shape shape, PdfContentByte content) {
        shape.fill().ifPresent(colour -> PdfColours.fill(content, colour));
        shape.stroke().ifPresent(line -> {
            PdfColours.stroke(content, line.colour());
            content.setLineWidth((float) line.width());
            content.setLineCap(line.cap().ordinal());
            content.setLineJoin(line.join().ordinal());
            content.setMiterLimit((float) line.miterLimit());
        });
        shape.outline().forEach(step -> step(step, content));
        paint(shape.fill(), shape.stroke(), shape.evenOdd(), content);
    }

    private static void step(Step step, PdfContentByte content) {
        switch (step) {
            case Step.Move to -> content.moveTo((float) to.x(), (float) to.y());
            case Step.Line to -> content.lineTo((float) to.x(), (float) to.y());
            case Step.Curve to ->
                content.curveTo(
                        (float) to.x1(), (float) to.y1(), (float) to.x2(), (float) to.y2(), (float) to.x(), (float)
                                to.y());
            case Step.Close() -> content.closePath();
        }
    }

    private static void paint(
            Optional<String> fill, Optional<Shape.Stroke> stroke, boolean evenOdd, PdfContentByte content) {
        if (fill.isEmpty()) {
            content.stroke();
        } else if (stroke.isEmpty() && evenOdd) {
            content.eoFill();
        } else if (stroke.isEmpty()) {
            content.fill();
        } else if (evenOdd) {
            content.eoFillStroke();
        } else {
            content.fillStroke();
        }
    }
}
