/**
 * "Low Water", scene 12, "The causeway": our made-up production. The set, the action, the boards' and cameras' places
 * are here as data; programs beside them draw the boards, make the sound and write the cuts that ship with the product.
 * Read {@link freshsplice.demo.LowWater} first.
 */
package freshsplice.demo;
