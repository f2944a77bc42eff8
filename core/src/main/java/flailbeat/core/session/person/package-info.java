/** What a person keeps beside every song: numbers, names, keys, folded parts of the window. */
package flailbeat.core.session.person;
