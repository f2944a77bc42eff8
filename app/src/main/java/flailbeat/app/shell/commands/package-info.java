/** Every command of the window, by group, and the menus of them. */
package flailbeat.app.shell.commands;
