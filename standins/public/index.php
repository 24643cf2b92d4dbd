<?php

declare(strict_types=1);

use WaryHeron\Standins\Fault;
use WaryHeron\Standins\Institution\Institution;
use WaryHeron\Standins\Institution\SigningKey;
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
} elseif ($key === 'institution') {
    $folder = getenv('HERON_INSTANCE_DIR') ?: sys_get_temp_dir();
    $institution = new Institution(
        'http://127.0.0.1:'.($_SERVER['SERVER_PORT'] ?? '').'/institution',
        SigningKey::keptAt((is_writable($folder) ? $folder : sys_get_temp_dir()).'/institution-'.hash('xxh32', $folder).'.pem'),
    );
    [$status, $headers, $content] = $institution->answer($what, $parameters, time());
    http_response_code($status);
    foreach ($headers as $name => $value) {
        header("{$name}: {$value}");
    }
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
    echo "SRU is answered at /alder, /tern and /fen; thesauri are at /alder/thesaurus.ttl and /tern/thesaurus.ttl; copies of DOIs are at /locker/DOI; answers from papers are proposed at /leads; a university says who somebody is at /institution.\n";
}
