package org.grammatus.runs;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.Reading;
import org.grammatus.sources.SourceException;

/**
 * Previews of reports that are being edited. In each session the newest edit wins: an older preview that is still going on is
 * cancelled. A preview is a run like any other, so its pages, figures and rows are asked for in the same way. Thread-safe.
 */
public final class Previews {

    private static final System.Logger LOG = System.getLogger(Previews.class.getName());

    private final RunService runs;
    private final DatasetReader reader;
    private final Map<String, Newest> newest = new HashMap<>();

    private record Newest(long edit, Run run) {}

    public Previews(RunService runs, DatasetReader reader) {
        this.runs = runs;
        this.reader = reader;
    }

    /**
     * Runs a preview to its end on the calling thread.
     *
     * @param session the editing session, one for each open bench
     * @param edit number of the edit, which only grows in a session
     * @return the run, over; none where a newer edit is there already
     */
    public Optional<Run> preview(String owner, String session, long edit, RunRequest request) {
        String key = owner + "/" + session;
        Run run;
        boolean first;
        synchronized (newest) {
            Newest known = newest.get(key);
            if (known != null && known.edit > edit) {
                return Optional.empty();
            }
            if (known != null) {
                known.run.cancel();
                runs.forget(known.run);
            }
            first = known == null;
            run = runs.prepare(request, owner);
            newest.put(key, new Newest(edit, run));
        }
        runs.execute(run, reader);
        if (first) {
            runs.inBackground(() -> readAhead(request));
        }
        return Optional.of(run);
    }

    /** The next edit may bring in any field of the dataset; where rows are held, they are read before it does. */
    private void readAhead(RunRequest request) {
        try {
            reader.readAhead(Reading.all(request.dataset())
                    .ofRowsLedTo()
                    .in(request.context().zone()));
        } catch (SourceException e) {
            LOG.log(System.Logger.Level.DEBUG, "Nothing was read ahead", e);
        }
    }

    /** The newest preview of a session, going on or over. */
    public Optional<Run> newest(String owner, String session) {
        synchronized (newest) {
            return Optional.ofNullable(newest.get(owner + "/" + session)).map(Newest::run);
        }
    }

    /** Ends a session. */
    public void end(String owner, String session) {
        synchronized (newest) {
            Newest last = newest.remove(owner + "/" + session);
            if (last != null) {
                last.run.cancel();
                runs.forget(last.run);
            }
        }
    }
}
