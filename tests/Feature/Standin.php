<?php

namespace Tests\Feature;

use Closure;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Http;
use WaryHeron\Standins\Leads\Leads;
use WaryHeron\Standins\Locker\Locker;
use WaryHeron\Standins\Service;
use WaryHeron\Standins\Sru\SruServer;
use WaryHeron\Standins\Store;
use WaryHeron\Standins\ThesaurusTurtle;

/** The real stand-ins, answering in this process instead of over the wire. */
final class Standin
{
    /** @param  ?Closure(Request): mixed  $instead  answers in their place where it gives one */
    public static function answers(?Closure $instead = null): void
    {
        // what was faked before would answer first
        Http::swap(new Factory(app('events')));
        Http::fake(function (Request $request) use ($instead) {
            $given = $instead === null ? null : $instead($request);
            if ($given !== null) {
                return $given;
            }
            [$key, $what] = explode('/', trim((string) parse_url($request->url(), PHP_URL_PATH), '/'), 2) + ['', ''];
            if ($key === 'leads') {
                return Http::response(...array_reverse((new Leads())->answer($request->body())));
            }
            if ($key === 'locker') {
                [$status, , $content] = (new Locker(Store::connect()))->answer(
                    rawurldecode($what),
                    $request->header('Accept')[0] ?? '',
                );

                return Http::response($content, $status);
            }
            parse_str((string) parse_url($request->url(), PHP_URL_QUERY), $query);

            return Http::response(
                $what === 'thesaurus.ttl'
                    ? ThesaurusTurtle::of(Service::named($key))
                    : self::ask($key, array_map(strval(...), $request->method() === 'GET' ? $query : $request->data())),
            );
        });
    }

    /** @param  array<string, string>  $parameters */
    public static function ask(string $key, array $parameters): string
    {
        return (new SruServer(Store::connect(), Service::named($key)))->answer($parameters);
    }
}
