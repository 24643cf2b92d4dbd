<?php

declare(strict_types=1);

namespace App\Actions\Archive;

use App\Files\In\ArchivedRow;
use App\Files\In\ArchiveFile;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WaryHeron\Core\Archive\BadArchive;

/**
 * Who the people of an archive are here. An archive that somebody brings could say anything of anybody: people of this copy
 * are taken for those it names only where whoever runs this copy says so; of others it keeps the names alone.
 */
final class PeopleOfArchive
{
    private const MOST = 10_000;

    /** Addresses of people who cannot sign in. The ending leads nowhere (RFC 2606). */
    private const NOWHERE = '@archive.invalid';

    /** @return array<string, string> ids of here by those of the archive, where they differ */
    public function execute(User $by, ArchiveFile $archive, bool $isTrusted): array
    {
        $ids = [];
        foreach ($archive->lines('data/people.jsonl') as $n => $line) {
            $row = ArchivedRow::decode($line, 'people', $n);
            [$id, $name, $email] = [$row['id'] ?? null, $row['name'] ?? null, $row['email'] ?? null];
            if (! is_string($id) || preg_match('/^[0-9a-z]{26}\z/', $id) !== 1 || ! is_string($name) || ! is_string($email)) {
                throw new BadArchive("Line {$n} of “data/people.jsonl” is of nobody.");
            }
            if ($n > self::MOST) {
                throw new BadArchive('It names more people than any review of ours.');
            }
            $here = $this->here($by, $id, mb_strtolower($email), $isTrusted) ?? $this->add($id, $name, $email, $isTrusted);
            $ids += $here === $id ? [] : [$id => $here];
        }

        return $ids;
    }

    private function here(User $by, string $id, string $email, bool $isTrusted): ?string
    {
        if ($email === mb_strtolower($by->email)) {
            return $by->id;
        }
        $of = DB::table('users')->whereRaw('lower(email) = ?', [$email])->value('id');
        if ($of !== null && ($isTrusted || str_ends_with($email, self::NOWHERE) && $of === $id)) {
            return (string) $of;
        }

        return null;
    }

    private function add(string $id, string $name, string $email, bool $isTrusted): string
    {
        $isTaken = DB::table('users')->where('id', $id)->exists();
        $new = $isTaken ? strtolower((string) Str::ulid()) : $id;
        $isAddress = $isTrusted && filter_var($email, FILTER_VALIDATE_EMAIL) !== false;
        User::query()->forceCreate([
            'id' => $new,
            'name' => Str::limit(mb_scrub($name), 100, ''),
            'email' => $isAddress ? mb_strtolower($email) : $new.self::NOWHERE,
            'password' => Str::random(40),
        ]);

        return $new;
    }
}
