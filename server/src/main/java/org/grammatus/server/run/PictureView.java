package org.grammatus.server.run;

import io.swagger.v3.oas.annotations.media.Schema;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import org.grammatus.core.page.Page;
import org.grammatus.core.plan.style.Picture;

/** A picture where it stands on a page; lengths are hundredths of a point. */
public record PictureView(
        int x,
        int y,
        int width,
        int height,

        @Schema(description = "The file, as a data URL (RFC 2397)")
        String source) {

    static PictureView of(Page.PictureBox box) {
        Picture picture = box.picture();
        String file = switch (picture) {
            case Picture.Dots dots -> "image/png;base64," + dots.content();
            case Picture.Drawn drawn ->
                "image/svg+xml;base64,"
                        + Base64.getEncoder()
                                .encodeToString(drawn.drawing().svg().getBytes(StandardCharsets.UTF_8));
        };
        return new PictureView(box.x(), box.y(), picture.width(), picture.height(), "data:" + file);
    }
}
