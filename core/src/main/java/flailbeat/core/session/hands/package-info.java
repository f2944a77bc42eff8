/** The person at the keys: what is performed, who has the keys, and what sounds at once. */
package flailbeat.core.session.hands;
