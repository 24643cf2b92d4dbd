<?php

declare(strict_types=1);

namespace WaryHeron\Core\Vocabulary;

/** A thesaurus that cannot be used; the message says what is wrong and where. */
final class BadScheme extends \RuntimeException
{
}
