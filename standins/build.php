<?php

declare(strict_types=1);

// Makes the stand-ins' records where they are missing or of another size: php standins/build.php [ALDER'S SIZE [ONLY
// THIS SERVICE]]

use WaryHeron\Standins\Corpus\Table;
use WaryHeron\Standins\Fault;
use WaryHeron\Standins\Service;
use WaryHeron\Standins\Store;

require __DIR__.'/../vendor/autoload.php';

Fault::prepare(Store::connect());
$alder = (int) ($argv[1] ?? 14000);
foreach (isset($argv[2]) ? [$argv[2]] : Service::keys() as $key) {
    $service = Service::named($key);
    $table = new Table(Store::connect(), $service);
    if ($table->size() !== $service->sizeBeside($alder)) {
        $table->build($alder);
    }
}
