package freshsplice.server.drill;

/** One thing that people do. What it does follows from the dice and from how the project stands alone, so that it can be done again. */
interface Operation {
    /** @return what it may have changed, whether it was done or refused */
    Touched play(World world, Person who, Dice dice);

    default String name() {
        return getClass().getSimpleName();
    }
}
