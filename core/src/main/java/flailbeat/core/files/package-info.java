/** Songs in files, whatever the format. */
package flailbeat.core.files;
