package org.grammatus.server.problem;

import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.RequestBodyAdviceAdapter;
import tools.jackson.databind.JsonNode;

/** Checks that bodies have all they must have, wherever it stands in them, before anything is done with them. */
@RestControllerAdvice
class BodyCheck extends RequestBodyAdviceAdapter {

    @Override
    public boolean supports(
            MethodParameter parameter, Type target, Class<? extends HttpMessageConverter<?>> converter) {
        return parameter.getParameterType().isRecord();
    }

    @Override
    public Object afterBodyRead(
            Object body,
            HttpInputMessage message,
            MethodParameter parameter,
            Type target,
            Class<? extends HttpMessageConverter<?>> converter) {
        Problems problems = new Problems();
        check("", body, problems);
        problems.throwIfErrors();
        return body;
    }

    private static void check(String pointer, Object value, Problems problems) {
        switch (value) {
            case Optional<?> optional -> optional.ifPresent(inside -> check(pointer, inside, problems));
            case Collection<?> list -> {
                int i = 0;
                for (Object item : list) {
                    required(pointer + "/" + i++, item, problems);
                }
            }
            case Map<?, ?> map -> map.forEach((key, item) -> required(pointer + "/" + key, item, problems));
            case Record record -> {
                for (RecordComponent component : record.getClass().getRecordComponents()) {
                    part(pointer + "/" + component.getName(), component, record, problems);
                }
            }
            case null, default -> {}
        }
    }

    private static void part(String pointer, RecordComponent component, Record record, Problems problems) {
        Object value;
        try {
            component.getAccessor().setAccessible(true);
            value = component.getAccessor().invoke(record);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("A body cannot be looked into", e);
        }
        if (value != null || !component.isAnnotationPresent(MayBeMissing.class)) {
            required(pointer, value, problems);
        }
    }

    private static void required(String pointer, Object value, Problems problems) {
        if (value == null || value instanceof JsonNode node && node.isNull()) {
            problems.add(Problem.error(pointer, "is missing; it is required here"));
        } else {
            check(pointer, value, problems);
        }
    }

    /** An empty body is none of those that are wanted. */
    @Override
    public Object handleEmptyBody(
            Object body,
            HttpInputMessage message,
            MethodParameter parameter,
            Type target,
            Class<? extends HttpMessageConverter<?>> converter) {
        throw new ProblemException(Problem.error("", "the body is missing"));
    }
}
