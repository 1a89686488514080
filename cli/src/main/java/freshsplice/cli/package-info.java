/**
 * The command line: core and exchange without the server. Prints JSON to standard output, one line to standard error
 * when it fails, and ends with 0 (done), 1 (the file cannot be read or written) or 2 (wrong use).
 * Read {@link freshsplice.cli.Main} first.
 */
package freshsplice.cli;
