import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { DEMOS } from '../../../application/intake/demos';
import { TEXT } from '../../../text/screens/home';

/** The made-up academy: the first step of who has nothing here yet, and a word for everybody else. */
export function DemoCard({ first }: { readonly first: boolean }): ReactNode {
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {first ? TEXT.beginWithDemo : TEXT.demo}
      </Typography>
      {first && <p style={{ marginTop: 0 }}>{TEXT.madeUpAcademyFilmedAt}</p>}
      <ul className="plain" style={{ gap: first ? 8 : 4 }}>
        {DEMOS.map((demo, i) => (
          <li key={demo.id}>
            <Button
              component={Link}
              to={i === 0 ? '/demo' : `/demo/${demo.id}`}
              variant={first && i === 0 ? 'contained' : 'outlined'}
              size="small"
              sx={{ mr: 1 }}
            >
              {i === 0 ? TEXT.openDemo : TEXT.openName(demo.name.toLowerCase())}
            </Button>
            {first && (
              <span className="note">
                {demo.name}: {demo.about}
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
