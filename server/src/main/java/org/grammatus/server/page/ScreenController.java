package org.grammatus.server.page;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Every screen's address loads the one page, which then shows that screen. */
@Controller
@Hidden
class ScreenController {

    private static final String PAGE = "forward:/index.html";

    @GetMapping({
        "/sign-in",
        "/set-up",
        "/password",
        "/reports",
        "/reports/{id}",
        "/bench/{id}",
        "/data",
        "/data/{id}",
        "/compose",
        "/compose/{id}",
        "/styles",
        "/styles/{id}",
        "/sources",
        "/sources/{id}",
        "/not-for-you/{reason}"
    })
    String screen() {
        return PAGE;
    }

    /** An address that leads to nothing still leads to the page, which says so; files and the interface answer for themselves. */
    @GetMapping("/{first:(?!(?:api|assets|faces|notices|error)$)[^.]+}/**")
    String unknown(HttpServletResponse response) {
        response.setStatus(HttpServletResponse.SC_NOT_FOUND);
        return PAGE;
    }
}
