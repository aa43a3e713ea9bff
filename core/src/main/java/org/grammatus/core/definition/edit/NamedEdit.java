package org.grammatus.core.definition.edit;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** Gives an edit the name by which scripts, the bench and the HTTP interface ask for it. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE)
public @interface NamedEdit {

    /** Words joined by hyphens, the verb first: {@code add-column}. */
    String value();

    /** What the edit does, in one sentence. */
    String does();
}
