package org.grammatus.core.group;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.grammatus.core.address.GroupAddress;
import org.grammatus.core.address.GroupAddress.Step;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;

/** Addresses of the groups of a table, and the groups at addresses. */
public final class GroupAddresses {

    private final TableResult table;

    public GroupAddresses(TableResult table) {
        this.table = table;
    }

    /** The address of a group that is shown. */
    public GroupAddress of(int node) {
        List<Step> down = new ArrayList<>();
        for (int n = node; n != GroupTree.ROOT; n = table.tree().parentOf(n)) {
            down.addFirst(step(n));
        }
        return new GroupAddress(table.plan().id(), down);
    }

    /** The shown group at an address; none where there is no such group. */
    public OptionalInt find(GroupAddress address) {
        if (!address.block().equals(table.plan().id())) {
            return OptionalInt.empty();
        }
        int node = GroupTree.ROOT;
        for (Step step : address.down()) {
            OptionalInt child = child(node, step);
            if (child.isEmpty()) {
                return child;
            }
            node = child.getAsInt();
        }
        return OptionalInt.of(node);
    }

    private OptionalInt child(int parent, Step step) {
        GroupTree tree = table.tree();
        int last = tree.lastPlace(parent);
        for (int place = tree.placeOf(parent) + 1; place <= last; place = tree.lastPlaceFrom(place) + 1) {
            int child = tree.nodeAt(place);
            if (step(child).equals(step)) {
                return OptionalInt.of(child);
            }
        }
        return OptionalInt.empty();
    }

    private Step step(int node) {
        String level = table.plan().levels().get(table.tree().depthOf(node) - 1).id();
        boolean others = table.groups().isOthers(node);
        return new Step(
                level, others ? Optional.empty() : keyText(table.groups().key(node)), others);
    }

    /** A key as addresses write it; none for the key of rows without one. */
    public static Optional<String> keyText(Scalar key) {
        return key instanceof Scalar.Null ? Optional.empty() : Optional.of(ScalarText.write(key));
    }
}
