/** Lists of checksums that come with media: ASC Media Hash List (ASC MHL v2.0, and the older MHL v1.1). */
package freshsplice.exchange.hashlist;
