package freshsplice.exchange.aaf;

import freshsplice.exchange.compound.CompoundFile;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** An opened file: its mobs by their identification, and the operations that its dictionary defines. */
final class AafFile {
    /** @param timeWarp whether it changes time; null where the definition does not say */
    record Operation(String name, Boolean timeWarp) {
    }

    final Map<String, AafObject> mobs = new LinkedHashMap<>();
    final Map<String, Operation> operations = new HashMap<>();
    /** Names of the parameters that its dictionary defines. */
    final Map<String, String> parameters = new HashMap<>();

    AafFile(byte[] bytes) {
        AafObject root = new AafObject(CompoundFile.root(bytes));
        AafObject header = root.object(AafPid.ROOT_HEADER);
        if (header == null) {
            throw new AafDamage("it has no header");
        }
        AafObject content = header.object(AafPid.HEADER_CONTENT);
        if (content == null) {
            throw new AafDamage("its header has no content");
        }
        for (AafObject mob : content.objects(AafPid.MOBS)) {
            String id = mob.mobId(AafPid.MOB_ID);
            if (id != null) {
                mobs.putIfAbsent(id, mob);
            }
        }
        AafObject dictionary = header.object(AafPid.HEADER_DICTIONARY);
        if (dictionary != null) {
            readDefinitions(dictionary);
        }
    }

    private void readDefinitions(AafObject dictionary) {
        for (AafObject definition : dictionary.objects(AafPid.OPERATIONS)) {
            String id = definition.id(AafPid.DEFINITION_ID);
            String name = definition.text(AafPid.DEFINITION_NAME);
            if (id != null) {
                operations.put(id, new Operation(name == null ? "" : name, definition.has(AafPid.IS_TIME_WARP)
                        ? (Boolean) definition.flag(AafPid.IS_TIME_WARP) : null));
            }
        }
        for (AafObject definition : dictionary.objects(AafPid.PARAMETER_DEFINITIONS)) {
            String id = definition.id(AafPid.DEFINITION_ID);
            String name = definition.text(AafPid.DEFINITION_NAME);
            if (id != null && name != null) {
                parameters.put(id, name);
            }
        }
    }

    List<AafObject> mobs(AafClass type) {
        List<AafObject> found = new ArrayList<>();
        mobs.values().stream().filter(m -> m.type == type).forEach(found::add);
        return found;
    }

    String operationName(AafObject group) {
        String id = group.definition(AafPid.OPERATION);
        Operation operation = id == null ? null : operations.get(id);
        return operation == null || operation.name().isEmpty() ? String.valueOf(id) : operation.name();
    }
}
