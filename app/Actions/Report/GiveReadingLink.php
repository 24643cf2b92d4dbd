<?php

declare(strict_types=1);

namespace App\Actions\Report;

use App\Actions\Shared\WriteLog;
use App\Models\ReadingLink;
use App\Models\Review;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;

/** Gives outsiders an address to read the report by, and takes it back. */
final readonly class GiveReadingLink
{
    public function __construct(private WriteLog $log)
    {
    }

    /** What the team lets out or in by an address only where it says so, as the Log words it. */
    public const WISHES = [
        'texts' => 'the full texts',
        'names' => 'who decided',
        'comments' => 'room for comments',
    ];

    /**
     * @param  list<key-of<self::WISHES>>  $wishes
     * @return string the token of the address, which is kept nowhere
     */
    public function execute(
        User $by,
        Review $review,
        string $name,
        ?string $password = null,
        ?CarbonImmutable $expires = null,
        array $wishes = [],
    ): string {
        $token = Str::random(40);
        DB::transaction(function () use ($by, $review, $name, $password, $expires, $wishes, $token): void {
            ReadingLink::query()->create([
                'review_id' => $review->id,
                'name' => $name,
                'token_hash' => hash('sha256', $token),
                'password_hash' => $password === null ? null : Hash::make($password),
                'expires_at' => $expires,
                ...self::with($wishes),
                'user_id' => $by->id,
            ]);
            $with = Arr::join(array_map(fn (string $one): string => self::WISHES[$one], $wishes), ', ', ' and ');
            $words = "Gave “{$name}” a reading link to the report".($with === '' ? '' : ", with {$with}");
            ($this->log)($review, $by, 'text.link', $words);
        });

        return $token;
    }

    /**
     * @param  list<string>  $wishes
     * @return array<string, bool>
     */
    private static function with(array $wishes): array
    {
        return [
            'with_texts' => in_array('texts', $wishes, true),
            'with_names' => in_array('names', $wishes, true),
            'with_comments' => in_array('comments', $wishes, true),
        ];
    }

    public function revoke(User $by, Review $review, ReadingLink $link): void
    {
        DB::transaction(function () use ($by, $review, $link): void {
            ReadingLink::query()
                ->where('review_id', $review->id)
                ->whereKey($link->id)
                ->whereNull('revoked_at')
                ->update(['revoked_at' => now()]);
            ($this->log)($review, $by, 'text.link-back', "Took back the reading link of “{$link->name}”");
        });
    }
}
