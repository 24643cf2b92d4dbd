<?php

declare(strict_types=1);

use WaryHeron\Standins\Alder\SruServer;
use WaryHeron\Standins\Store;

require __DIR__.'/../../vendor/autoload.php';

$path = parse_url($_SERVER['REQUEST_URI'] ?? '/', PHP_URL_PATH);
if ($path === '/up') {
    header('Content-Type: text/plain');
    echo 'ready';
    exit;
}
if ($path !== '/alder') {
    http_response_code(404);
    header('Content-Type: text/plain');
    echo "The Alder Index answers SRU at /alder.\n";
    exit;
}
header('Content-Type: application/xml; charset=utf-8');
$parameters = array_filter(array_merge($_GET, $_POST), is_string(...));
echo (new SruServer(Store::connect()))->answer($parameters);
