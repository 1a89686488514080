/** How loud the sound under a master is, and how it goes along with the picture. */
package freshsplice.core.sound;
