/** Songs that can be brought back after the program was ended before they were saved. */
package flailbeat.core.session.lost;
