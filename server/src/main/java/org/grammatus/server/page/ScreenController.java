package org.grammatus.server.page;

import io.swagger.v3.oas.annotations.Hidden;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Every screen's address loads the one page, which then shows that screen. */
@Controller
@Hidden
class ScreenController {

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
        "/sources",
        "/sources/{id}"
    })
    String screen() {
        return "forward:/index.html";
    }
}
