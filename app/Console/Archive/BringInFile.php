<?php

declare(strict_types=1);

namespace App\Console\Archive;

use App\Actions\Archive\BringInArchive;
use App\Models\User;
use Illuminate\Console\Command;
use WaryHeron\Core\Archive\BadArchive;

/** Brings a review back from its archive, with its people as those of this copy who have the same addresses. */
final class BringInFile extends Command
{
    protected $signature = 'heron:bring-in {file} {--lead= : the address of whoever is to lead it}';

    protected $description = 'Bring a whole review in from its archive';

    public function handle(BringInArchive $bring): int
    {
        $file = $this->argument('file');
        $by = $this->lead();
        if (! is_string($file) || ! is_readable($file)) {
            $this->error('There is no such file.');

            return 2;
        }
        if ($by === null) {
            $this->error('Say by --lead=ADDRESS which person of this copy is to lead it.');

            return 2;
        }
        try {
            $review = $bring->execute($by, $file, isTrusted: true, told: fn () => null);
        } catch (BadArchive $bad) {
            $this->error("The archive was not brought in. {$bad->getMessage()}");

            return self::FAILURE;
        }
        $this->info("Brought in “{$review->title}”.");

        return self::SUCCESS;
    }

    private function lead(): ?User
    {
        $lead = $this->option('lead');

        return User::query()->whereRaw('lower(email) = ?', [mb_strtolower(is_string($lead) ? $lead : '')])->first();
    }
}
