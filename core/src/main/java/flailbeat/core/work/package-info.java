/** Work that takes long: how far it is, and calling it off. */
package flailbeat.core.work;
