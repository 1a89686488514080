/** Our own MariaDB, on loopback, with its own data folder. */
package freshsplice.server.database;
