/**
 * Compound files, [MS-CFB] versions 3 and 4: folders ("storages") and files ("streams") inside one file. Known
 * libraries look for each small stream from the file's beginning, which makes a cut of 10 000 events take a minute; so
 * this one is our own, and a library checks it in the tests. Read {@link freshsplice.exchange.compound.CompoundFile}
 * first.
 */
package freshsplice.exchange.compound;
