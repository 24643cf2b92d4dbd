<?php

declare(strict_types=1);

namespace App\Access;

use App\Http\Input;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Cache\RateLimiting\Unlimited;
use Illuminate\Http\Request;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\RateLimiter;

/**
 * How often something may be asked for, by person, account or link: a whole department comes from one address, and none
 * of it may lock the others out.
 */
final class RequestLimits
{
    /** For one person in a minute; what costs seconds, a database elsewhere or the worker: more than hands ask for. */
    private const BY_PERSON = [
        'own-password' => 6,
        'invite' => 30,
        'typing' => 300,
        'dear' => 120,
        // a program may ask more often than hands, and less often than hurts those who work beside it
        'api' => 600,
        'upload' => 600,
    ];

    /** From one address in a minute: outsiders have nothing else. */
    private const BY_ADDRESS = ['institution' => 60, 'reading' => 120];

    public static function set(): void
    {
        foreach (self::BY_PERSON as $name => $most) {
            self::limit($name, fn (Request $request): Limit => Limit::perMinute($most)->by(self::who($request)));
        }
        foreach (self::BY_ADDRESS as $name => $most) {
            self::limit($name, fn (Request $request): Limit => Limit::perMinute($most)->by((string) $request->ip()));
        }
        self::limit('query', fn (Request $request): Limit => Input::text($request, 'q') === ''
            ? Limit::none()
            : Limit::perMinute(120)->by(self::who($request)));
        self::limit('sign-in', self::signIn(...));
        self::limit('second-factor', self::secondFactor(...));
        self::limit('reset-link', fn (Request $request): array => [
            Limit::perMinutes(10, 3)->by(self::account($request)),
            Limit::perMinute(60)->by((string) $request->ip()),
        ]);
        self::limit('link', fn (Request $request): Limit => Limit::perMinute(12)->by(self::link($request)));
        self::limit('unlock', fn (Request $request): array => [
            Limit::perMinute(10)->by(self::link($request)),
            Limit::perMinute(30)->by((string) $request->ip()),
        ]);
    }

    /** @return list<Limit> */
    private static function signIn(Request $request): array
    {
        $account = self::account($request);

        return [
            Limit::perMinute(6)->by("{$account} {$request->ip()}"),
            Limit::perMinutes(15, 40)->by($account),
            Limit::perMinute(300)->by((string) $request->ip()),
        ];
    }

    /** @return list<Limit> by the person who has given the password */
    private static function secondFactor(Request $request): array
    {
        $half = SignIn::waiting($request)->id ?? (string) $request->ip();

        return [Limit::perMinute(6)->by($half), Limit::perMinutes(60, 30)->by($half)];
    }

    private static function who(Request $request): string
    {
        return $request->user()?->getAuthIdentifier() ?? (string) $request->ip();
    }

    private static function account(Request $request): string
    {
        return hash('sha256', mb_strtolower(Input::text($request, 'email')));
    }

    private static function link(Request $request): string
    {
        $token = $request->route('token');

        return hash('sha256', is_string($token) ? $token : Input::text($request, 'token'));
    }

    /** @param  \Closure(Request): (Limit|list<Limit>)  $limit */
    private static function limit(string $name, \Closure $limit): void
    {
        RateLimiter::for($name, function (Request $request) use ($name, $limit): array {
            // what has no limit is not counted either: each count is five questions to the database
            $all = array_filter(
                Arr::wrap($limit($request)),
                fn (Limit $one): bool => ! $one instanceof Unlimited,
            );
            foreach ($all as $i => $one) {
                // a count of its own, whatever else is counted for the same person
                $one->by("{$name} {$i} {$one->key}");
            }

            return $all;
        });
    }
}
