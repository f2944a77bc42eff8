/** The song that shows everything: made up, and made by code. */
package flailbeat.core.demo;
