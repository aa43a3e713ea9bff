package org.grammatus.server.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import org.grammatus.runs.turns.Turns;
import org.springframework.core.annotation.AnnotatedElementUtils;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Has requests that {@link TakesTurn} wait for it, and gives it back once they are answered. */
@Component
class TurnInterceptor implements HandlerInterceptor, WebMvcConfigurer {

    private static final String PERMIT = TurnInterceptor.class.getName();

    private final Turns turns;

    TurnInterceptor(Turns turns) {
        this.turns = turns;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this);
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        Principal who = request.getUserPrincipal();
        if (who != null && handler instanceof HandlerMethod method && takesTurn(method)) {
            request.setAttribute(PERMIT, turns.enter(who.getName()));
        }
        return true;
    }

    private static boolean takesTurn(HandlerMethod method) {
        return method.hasMethodAnnotation(TakesTurn.class)
                || AnnotatedElementUtils.hasAnnotation(method.getBeanType(), TakesTurn.class);
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, Exception failure) {
        if (request.getAttribute(PERMIT) instanceof Turns.Permit permit) {
            request.removeAttribute(PERMIT);
            permit.close();
        }
    }
}
