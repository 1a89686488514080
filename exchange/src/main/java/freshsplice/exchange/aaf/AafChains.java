package freshsplice.exchange.aaf;

import freshsplice.core.cut.Remark;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.exchange.format.FileAddress;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Follows chains from a slot of a master or source mob to file and tape. At each step a start time counts in the
 * units of the slot that refers, and is converted to the rate of the slot that is referred to.
 */
final class AafChains {
    private static final long DAY_SECONDS = 86_400;
    private static final int MAX_HOPS = 32;

    private final AafFile file;
    private final List<Remark> remarks;
    private final Map<String, AafChain> known = new HashMap<>();
    private final Map<String, Optional<FrameRate>> rates = new HashMap<>();
    private final Set<String> said = new LinkedHashSet<>();

    AafChains(AafFile file, List<Remark> remarks) {
        this.file = file;
        this.remarks = remarks;
    }

    /** The rate of a mob's slot; null where there is no such slot, or it has none. */
    FrameRate slotRate(String mobId, AafObject mob, long slotId) {
        return rates.computeIfAbsent(mobId + " " + slotId, key -> Optional.ofNullable(rateOf(mob, slotId))).orElse(null);
    }

    /** @return the chain's end; null where the mob or slot is not in the file */
    AafChain of(String mobId, long slotId) {
        String key = mobId + " " + slotId;
        if (!known.containsKey(key)) {
            known.put(key, follow(mobId, slotId, 0));
        }
        return known.get(key);
    }

    private AafChain follow(String mobId, long slotId, int hops) {
        AafObject mob = file.mobs.get(mobId);
        AafObject slot = mob == null ? null : AafSlots.byId(mob, slotId);
        if (slot == null) {
            return null;
        }
        if (hops > MAX_HOPS) {
            say("mob " + nameOf(mob), "The chain of its sources has no end; it is cut off");
            return null;
        }
        FrameRate rate = AafSlots.rate(slot);
        if (rate == null) {
            say("mob " + nameOf(mob), "Its slot " + slotId + " has no edit rate");
            return null;
        }
        AafObject clip = firstClip(slot.object(AafPid.SEGMENT), mob, 0);
        AafChain further = clip == null ? null : next(clip, rate, hops);
        Rational origin = Rational.of(slot.number(AafPid.ORIGIN, 0));
        AafChain here = mob.type == AafClass.SOURCE_MOB ? media(mob, rate, clip, further) : further;
        if (here == null) {
            return null;
        }
        AafChain fromOrigin = here.from(origin, Rational.ONE);
        return mob.type == AafClass.MASTER_MOB ? onMastersTimecode(mob, fromOrigin.named(nameOf(mob))) : fromOrigin;
    }

    /** Where neither file nor tape has a timecode, the master mob's own counts from its position 0. */
    private static AafChain onMastersTimecode(AafObject mob, AafChain chain) {
        AafSlots.StartTimecode coded = chain.timed() ? null : AafSlots.timecode(mob);
        return coded == null ? chain
                : chain.labelled(coded.rate().framesOf(chain.rate()).times(Rational.of(coded.start())));
    }

    /** The chain seen from the first unit of the segment that the clip fills. */
    private AafChain next(AafObject clip, FrameRate rate, int hops) {
        String id = clip.mobId(AafPid.SOURCE_ID);
        if (id == null || isNone(id)) {
            return null;
        }
        long slotId = clip.number(AafPid.SOURCE_SLOT, 0);
        AafChain there = follow(id, slotId, hops + 1);
        AafObject mob = file.mobs.get(id);
        FrameRate thereRate = mob == null ? null : rateOf(mob, slotId);
        if (there == null || thereRate == null) {
            return null;
        }
        Rational step = rate.framesOf(thereRate);
        return there.from(Rational.of(clip.number(AafPid.START_TIME, 0)).times(step), step);
    }

    private static FrameRate rateOf(AafObject mob, long slotId) {
        AafObject slot = AafSlots.byId(mob, slotId);
        return slot == null ? null : AafSlots.rate(slot);
    }

    static boolean isNone(String mobId) {
        return mobId.chars().allMatch(c -> c == '0');
    }

    /** A file or a tape: what it says itself, over what the chain says further on. */
    private AafChain media(AafObject mob, FrameRate rate, AafObject clip, AafChain further) {
        AafObject descriptor = mob.object(AafPid.ESSENCE_DESCRIPTION);
        boolean isFile = descriptor != null && (descriptor.has(AafPid.SAMPLE_RATE) || descriptor.has(AafPid.MEDIA_LENGTH)
                || descriptor.has(AafPid.LOCATORS));
        AafSlots.StartTimecode coded = further != null && isFile ? null : AafSlots.timecode(mob);
        AafChain end = further;
        if (end == null) {
            Rational perUnit = coded == null ? Rational.ONE : rate.framesOf(coded.rate());
            String reel = isFile || nameOf(mob).isBlank() ? null : nameOf(mob);
            end = new AafChain(nameOf(mob), reel, null, coded == null ? rate : coded.rate(), null,
                    null, Rational.of(coded == null ? 0 : coded.start()), perUnit, coded != null);
        }
        if (!isFile) {
            return end;
        }
        Long length = length(descriptor, clip, rate, end);
        return new AafChain(nameOf(mob), end.reel(), locator(descriptor), end.rate(), end.base().floor(), length,
                end.base(), end.perUnit(), end.timed());
    }

    private static Long length(AafObject descriptor, AafObject clip, FrameRate rate, AafChain end) {
        Long told = descriptor.number(AafPid.MEDIA_LENGTH);
        Rational sampleRate = descriptor.rational(AafPid.SAMPLE_RATE);
        if (told != null && told > 0) {
            boolean sameUnits = sampleRate == null || sampleRate.signum() <= 0 || sampleRate.equals(rate.fps());
            Rational units = sameUnits ? Rational.of(told)
                    : Rational.of(told).times(rate.fps()).dividedBy(sampleRate);
            return units.times(end.perUnit()).round();
        }
        Long segment = clip == null ? null : clip.number(AafPid.LENGTH);
        // a slot of a day and more is a tape's, not what is on it
        boolean unknown = segment == null || segment <= 0
                || Rational.of(segment).compareTo(rate.fps().times(DAY_SECONDS)) >= 0;
        return unknown ? null : (Long) end.perUnit().times(segment).round();
    }

    /** The first address that a locator tells; a name in a text locator where there is no address. */
    private static String locator(AafObject descriptor) {
        String named = null;
        for (AafObject locator : descriptor.objects(AafPid.LOCATORS)) {
            String url = locator.text(AafPid.URL);
            if (url != null && !url.isBlank()) {
                return FileAddress.plain(url);
            }
            String text = locator.text(AafPid.LOCATOR_NAME);
            named = named == null && text != null && !text.isBlank() ? text : named;
        }
        return named;
    }

    /** The clip that a segment of a master or source mob shows, looked for through choices and effects. */
    private AafObject firstClip(AafObject segment, AafObject mob, int depth) {
        if (segment == null || depth > MAX_HOPS) {
            return null;
        }
        return switch (segment.type) {
            case SOURCE_CLIP -> segment;
            case SEQUENCE -> {
                List<AafObject> parts = segment.objects(AafPid.COMPONENTS);
                List<AafObject> shown = parts.stream().filter(p -> p.type != AafClass.FILLER).toList();
                if (shown.size() > 1) {
                    say("mob " + nameOf(mob), "Its media are in " + shown.size() + " parts; the first is taken for all");
                }
                yield shown.isEmpty() ? null : firstClip(shown.get(0), mob, depth + 1);
            }
            case ESSENCE_GROUP -> {
                List<AafObject> choices = segment.objects(AafPid.CHOICES);
                if (choices.size() > 1) {
                    say("mob " + nameOf(mob), "It has " + choices.size() + " choices of media; the first is taken");
                }
                yield choices.isEmpty() ? null : firstClip(choices.get(0), mob, depth + 1);
            }
            case SELECTOR -> firstClip(segment.object(AafPid.SELECTED), mob, depth + 1);
            case PULLDOWN -> firstClip(segment.object(AafPid.PULLDOWN_INPUT), mob, depth + 1);
            case OPERATION_GROUP -> {
                List<AafObject> inputs = segment.objects(AafPid.INPUT_SEGMENTS);
                yield inputs.isEmpty() ? null : firstClip(inputs.get(0), mob, depth + 1);
            }
            default -> null;
        };
    }

    private void say(String place, String text) {
        if (said.add(place + text)) {
            remarks.add(Remark.note(place, text));
        }
    }

    static String nameOf(AafObject mob) {
        String name = mob.text(AafPid.MOB_NAME);
        return name == null ? "" : name;
    }
}
