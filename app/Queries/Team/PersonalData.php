<?php

declare(strict_types=1);

namespace App\Queries\Team;

use App\Access\OpenSessions;
use App\Models\SecondFactor;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\DB;
use stdClass;

/** All that is kept about a person, for them to take away: who they are here, and what they did. */
final class PersonalData
{
    /** What a person did, by table: the column that names them, and what is told of each. */
    private const DONE = [
        'decisions' => ['user_id', ['review_id', 'item_id', 'verdict', 'note', 'created_at', 'superseded_at']],
        'settlements' => ['user_id', ['review_id', 'item_id', 'verdict', 'note', 'created_at']],
        'rulings' => ['user_id', ['review_id', 'created_at']],
        'answers' => [
            'user_id',
            ['review_id', 'publication_id', 'code_id', 'value', 'note', 'created_at', 'superseded_at'],
        ],
        'results' => ['user_id', ['review_id', 'publication_id', 'given', 'note', 'created_at']],
        'passages' => ['user_id', ['review_id', 'publication_id', 'memo', 'created_at']],
        'talk_messages' => ['user_id', ['review_id', 'item_id', 'body', 'created_at']],
        'full_texts' => ['user_id', ['review_id', 'publication_id', 'name', 'bytes', 'created_at']],
        'asked_questions' => ['user_id', ['review_id', 'question', 'created_at']],
        'log_entries' => ['user_id', ['review_id', 'action', 'summary', 'created_at']],
    ];

    /** @return \Generator<int, string> JSON, a piece at a time */
    public static function json(User $user): \Generator
    {
        yield '{"person":'.self::encoded(self::person($user));
        yield ',"reviews":'.self::encoded(self::reviews($user)->get()->all());
        yield ',"signed in":'.self::encoded(OpenSessions::of($user)
            ->map(fn (stdClass $one): array => Arr::only((array) $one, ['ip_address', 'user_agent', 'last_activity']))
            ->all());
        yield ',"notices":'.self::encoded(
            DB::table('notifications')->where('notifiable_id', $user->id)->get(['data', 'created_at', 'read_at'])->all(),
        );
        yield ',"tokens":'.self::encoded(DB::table('access_tokens')
            ->where('tokenable_id', $user->id)
            ->get(['review_id', 'name', 'abilities', 'last_used_at', 'expires_at'])
            ->all());
        yield from self::done($user);
        yield "}\n";
    }

    private static function person(User $user): object
    {
        return (object) [
            'name' => $user->name,
            'address' => $user->email,
            'since' => $user->created_at->toIso8601String(),
            'password' => 'kept as a hash that nobody can read',
            'second factor' => SecondFactor::of($user) === null ? 'none' : 'its key is kept encrypted, its recovery codes as hashes',
            'known at institutions as' => DB::table('institution_accounts')
                ->where('user_id', $user->id)
                ->get(['issuer', 'subject', 'created_at'])
                ->all(),
            'notices not wanted' => $user->unwanted_notices,
        ];
    }

    /** @return \Generator<string> what the person did, table by table */
    private static function done(User $user): \Generator
    {
        foreach (self::DONE as $table => [$column, $told]) {
            yield ',"'.strtr($table, '_', ' ').'":[';
            $isFirst = true;
            foreach (DB::table($table)->where($column, $user->id)->orderBy('created_at')->select($told)->cursor() as $row) {
                yield ($isFirst ? '' : ',').self::encoded($row);
                $isFirst = false;
            }
            yield ']';
        }
    }

    private static function reviews(User $user): Builder
    {
        return DB::table('memberships')
            ->join('reviews', 'reviews.id', '=', 'memberships.review_id')
            ->where('user_id', $user->id)
            ->orderBy('reviews.id')
            ->select(
                [
                    'reviews.id',
                    'reviews.title',
                    'memberships.role',
                    'memberships.created_at AS since',
                    'memberships.seen_at',
                ],
            );
    }

    private static function encoded(mixed $what): string
    {
        return json_encode(
            $what,
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE,
        );
    }
}
