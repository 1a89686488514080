/**
 * A machine that draws for a server: takes chunks of renders, gets what they are drawn from, hands in frames. It knows no project, no
 * queue and no database.
 */
package freshsplice.worker;
