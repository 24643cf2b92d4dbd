<?php

declare(strict_types=1);

// Makes the stand-ins' corpora where they are missing or of another size: php standins/build.php [SIZE]

use WaryHeron\Standins\Alder\Corpus;
use WaryHeron\Standins\Store;

require __DIR__.'/../vendor/autoload.php';

$size = (int) ($argv[1] ?? 5000);
$corpus = new Corpus(Store::connect());
if ($corpus->size() !== $size) {
    $corpus->build($size);
}
