<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Actions\FullTexts\AddFullText;
use App\Models\Publication;
use App\Models\Review;
use App\Models\User;
use App\Queries\FullTexts\Retrievals;
use App\Sources\FullTextLocker;
use App\Sources\SourceFailed;
use Symfony\Component\Process\Process;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Standins\Locker\PlainPdf;
use WaryHeron\Standins\Locker\ScannedPdf;

/** The PDFs that were brought by hand and need a look: of what is not sought, a scan, and one with a password. */
final readonly class DemoCopies
{
    public function __construct(private AddFullText $bring, private FullTextLocker $locker)
    {
    }

    public function make(User $by, Review $review): void
    {
        $this->ofAnother($by, $review);
        $sought = Retrievals::sought($review)
            ->where('publications.abstract', '<>', '')
            ->whereNotExists(fn ($copy) => $copy->from('full_texts')->whereColumn('publication_id', 'publications.id'))
            ->orderBy('publications.id')
            ->limit(2)
            ->get(['publications.title', 'publications.doi', 'publications.abstract']);
        foreach ($sought as $i => $publication) {
            $pdf = PlainPdf::of([[16, $publication->title], [11, "doi: {$publication->doi}"], [11, $publication->abstract]]);
            $i === 0
                ? $this->keep($by, $review, ScannedPdf::of($pdf), 'scan-from-the-ward-library.pdf')
                : $this->keep($by, $review, self::locked($pdf), 'library-loan.pdf');
        }
    }

    /** A PDF that was brought with others, of a publication that is not sought. */
    private function ofAnother(User $by, Review $review): void
    {
        foreach (
            Publication::query()
                ->where('review_id', $review->id)
                ->where('doi', '<>', '')
                ->whereHas('item', fn ($item) => $item->where('state', ItemState::Excluded))
                ->orderBy('id')
                ->limit(20)
                ->get() as $excluded
        ) {
            try {
                $this->keep($by, $review, $this->locker->pdf($excluded->doi), 'from-a-drawer.pdf');

                return;
            } catch (SourceFailed) {
                continue; // the next one, then
            }
        }
    }

    private function keep(User $by, Review $review, string $pdf, string $name): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'heron');
        file_put_contents($path, $pdf);
        $this->bring->execute($by, $review, $path, $name);
        unlink($path);
    }

    /** The same behind a password, as some libraries lend. */
    private static function locked(string $pdf): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'heron');
        file_put_contents($path, $pdf);
        (new Process([
            'gs', '-q', '-dSAFER', '-dNOPAUSE', '-dBATCH', '-sDEVICE=pdfwrite', '-sOwnerPassword=loan', '-sUserPassword=loan',
            '-dEncryptionR=3', '-dKeyLength=128', "-sOutputFile={$path}.locked", $path,
        ]))->mustRun();
        $locked = (string) file_get_contents("{$path}.locked");
        array_map(unlink(...), [$path, "{$path}.locked"]);

        return $locked;
    }
}
