/** Times and memory, never measured in tests. Read {@link freshsplice.bench.Bench} first. */
package freshsplice.bench;
