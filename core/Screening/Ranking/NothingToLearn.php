<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Ranking;

/** There is nothing from which relevance could be learned. */
final class NothingToLearn extends \RuntimeException
{
}
