/**
 * Faces, advance widths read from the font files themselves, and line breaking. Screen and PDF draw with the same files, so
 * their widths agree. Lengths are whole hundredths of a point (1/7200 inch).
 */
package org.grammatus.core.typography;
