package org.grammatus.runs;

import java.util.List;
import org.grammatus.core.columnar.Star;

/** Rows that are held in memory for later runs, and give way where runs need the room. */
public interface HeldMemory {

    /** No rows are held. */
    HeldMemory NONE = new HeldMemory() {
        @Override
        public List<Star> stars() {
            return List.of();
        }

        @Override
        public void giveWay(long most) {}
    };

    List<Star> stars();

    /** Lets rows go from memory, those unused the longest first, until they take no more than so many bytes. */
    void giveWay(long most);
}
