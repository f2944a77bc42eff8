/** Where rendered sound goes: a device, or nowhere at the right speed. */
package flailbeat.audio.line;
