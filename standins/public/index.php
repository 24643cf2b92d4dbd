<?php

declare(strict_types=1);

use WaryHeron\Standins\Fault;
use WaryHeron\Standins\Leads\Leads;
use WaryHeron\Standins\Locker\Locker;
use WaryHeron\Standins\Service;
use WaryHeron\Standins\Sru\SruServer;
use WaryHeron\Standins\Store;
use WaryHeron\Standins\ThesaurusTurtle;

require __DIR__.'/../../vendor/autoload.php';

[$key, $what] = explode('/', trim((string) parse_url($_SERVER['REQUEST_URI'] ?? '/', PHP_URL_PATH), '/'), 2) + ['', ''];
if ($key === 'up') {
    header('Content-Type: text/plain');
    echo 'ready';
    exit();
}
$service = in_array($key, Service::keys(), true) ? Service::named($key) : null;
$parameters = array_filter(array_merge($_GET, $_POST), is_string(...));
if ($service !== null && $what === '') {
    header('Content-Type: application/xml; charset=utf-8');
    $store = Store::connect();
    echo Fault::applied($store, $key, (new SruServer($store, $service))->answer($parameters));
} elseif ($service !== null && $what === 'thesaurus.ttl' && ($turtle = ThesaurusTurtle::of($service)) !== null) {
    header('Content-Type: text/turtle; charset=utf-8');
    echo $turtle;
} elseif ($key === 'locker' && $what !== '') {
    [$status, $type, $content] = (new Locker(Store::connect()))->answer(
        rawurldecode($what),
        $_SERVER['HTTP_ACCEPT'] ?? '',
    );
    http_response_code($status);
    header("Content-Type: {$type}");
    echo $content;
} elseif ($key === 'leads') {
    [$status, $content] = (new Leads())->answer((string) file_get_contents('php://input'));
    http_response_code($status);
    header('Content-Type: application/json');
    echo $content;
} elseif ($service !== null && $what === 'faults' && in_array($parameters['kind'] ?? '', Fault::KINDS, true)) {
    Fault::order(Store::connect(), $key, $parameters['kind'], (int) ($parameters['times'] ?? 1));
    header('Content-Type: text/plain');
    echo "The next answers will show it.\n";
} else {
    http_response_code(404);
    header('Content-Type: text/plain');
    echo "SRU is answered at /alder, /tern and /fen; thesauri are at /alder/thesaurus.ttl and /tern/thesaurus.ttl; copies of DOIs are at /locker/DOI; answers from papers are proposed at /leads.\n";
}
