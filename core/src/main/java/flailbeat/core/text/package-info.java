/** Words of which all rooms make their sentences. */
package flailbeat.core.text;
