/** Which file is which clip's: found, chosen by hand, looked for in folders, unpacked from zips. */
package freshsplice.server.sources;
