<?php

declare(strict_types=1);

namespace WaryHeron\Core\Archive;

/** An archive that cannot be taken, with the reason for a person. Nothing was taken of it. */
final class BadArchive extends \RuntimeException
{
}
