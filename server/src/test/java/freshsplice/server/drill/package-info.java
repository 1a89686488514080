/**
 * The drill: a random week of two or three people on the real server, that looks for faults where features meet. What a week does is an
 * {@link freshsplice.server.drill.Operation}; what must hold after every step of it is a {@link freshsplice.server.drill.Watch}. A new
 * feature joins with both. Read {@link freshsplice.server.drill.Week} first.
 */
package freshsplice.server.drill;
