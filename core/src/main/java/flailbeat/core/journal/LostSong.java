package flailbeat.core.journal;

/**
 * A song that can be brought back.
 *
 * @param lock keeps other copies of the application from it
 * @param reading what its journal holds
 * @param aside whether it was offered before and declined
 */
public record LostSong(Locks.Lock lock, JournalReading reading, boolean aside) {}
