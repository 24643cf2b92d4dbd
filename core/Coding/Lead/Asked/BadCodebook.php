<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Asked;

/** A codebook that cannot be used, and why. */
final class BadCodebook extends \InvalidArgumentException
{
}
