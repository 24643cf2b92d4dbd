<?php

declare(strict_types=1);

namespace App\Files\Out;

/** A document of a report that cannot be read, with the reason. */
final class BrokenReport extends \RuntimeException
{
}
