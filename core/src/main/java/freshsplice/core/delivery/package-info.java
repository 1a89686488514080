/**
 * What leaves the house: names and timecode of renders, lists that are handed back to the edit room, and the
 * fingerprint that tells when a render is stale. Read {@link freshsplice.core.delivery.HandBack} first.
 */
package freshsplice.core.delivery;
