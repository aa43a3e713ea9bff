package org.grammatus.runs;

import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.band.AnswerWords;
import org.grammatus.core.prompt.ResolvedPrompt;

/** What files are called: the report's title and what was answered, in letters that every system takes. */
public final class FileNames {

    /** Longer names do not fit everywhere once a browser has added to them. */
    private static final int LONGEST = 100;

    private FileNames() {}

    /** A run's file name: {@code Open orders, Alder Quay, 1 October 2026 to 20 November 2026.pdf}. */
    public static String of(RunResult result, String ending) {
        List<String> parts = new ArrayList<>();
        parts.add(result.grouped().plan().inputs().report().title());
        for (int i = 0; i < result.prompts().size(); i++) {
            ResolvedPrompt prompt = result.prompts().get(i);
            if (!prompt.resolved().isEmpty() && !prompt.resolved().equals("../..")) {
                parts.add(AnswerWords.of(result.grouped(), i));
            }
        }
        return plain(String.join(", ", parts)) + "." + ending;
    }

    /** The name of a file with the rows behind a group. */
    public static String ofRows(RunResult result, String group, String ending) {
        return plain("Rows behind " + group + ", "
                        + result.grouped().plan().inputs().report().title()) + "." + ending;
    }

    private static String plain(String name) {
        String plain = name.replaceAll("[\\p{Cntrl}<>:\"/\\\\|?*]+", " ")
                .replaceAll("\\s+", " ")
                .strip()
                .replaceAll("^\\.+", "");
        int end = Math.min(LONGEST, plain.length());
        String cut = plain.substring(0, end > 0 && Character.isHighSurrogate(plain.charAt(end - 1)) ? end - 1 : end)
                .strip()
                .replaceAll("[. ,]+$", "");
        return cut.isEmpty() ? "report" : cut;
    }
}
