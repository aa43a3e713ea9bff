package org.grammatus.server.page;

import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Files whose names change with their contents are kept by browsers; the page that names them is asked for anew each time, so that
 * after an upgrade nobody works with yesterday's screens.
 */
@Configuration
class ResourceCaching implements WebMvcConfigurer {

    private static final String PLACE = "classpath:/META-INF/resources/";

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations(PLACE + "assets/")
                .setCacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable());
        registry.addResourceHandler("/**").addResourceLocations(PLACE).setCacheControl(CacheControl.noCache());
    }
}
