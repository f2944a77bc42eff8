/** What a person did, as it was done. */
package flailbeat.core.event;
