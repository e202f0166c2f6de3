<?php

declare(strict_types=1);

namespace NeatEdge\Core\Device;

use RuntimeException;

/** Whoever sends was asked to pause or to end it: nothing further was sent. */
final class Paused extends RuntimeException
{
}
