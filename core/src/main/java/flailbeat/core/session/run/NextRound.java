package flailbeat.core.session.run;

import flailbeat.core.model.Song;

/**
 * What is to be heard once the loop begins anew.
 *
 * @param turn the turn of the loop after which it is
 */
record NextRound(Song song, long turn) {}
