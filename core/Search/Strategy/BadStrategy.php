<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy;

/** A change to a strategy that cannot be made, in the searcher's words. */
final class BadStrategy extends \RuntimeException
{
}
