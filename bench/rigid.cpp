#include <CGAL/Simple_cartesian.h>
#include <CGAL/Surface_mesh.h>
#include <CGAL/Surface_mesh_parameterization/ARAP_parameterizer_3.h>
#include <CGAL/Surface_mesh_parameterization/parameterize.h>
#include <CGAL/Polygon_mesh_processing/measure.h>
#include <chrono>
#include <fstream>
#include <iostream>

// Reads a surface from an OFF file (a pipe will not do: it is read back and forth), lays it flat as rigidly as possible, and writes the milliseconds that took and where every point lies.
using Kernel = CGAL::Simple_cartesian<double>;
using Mesh = CGAL::Surface_mesh<Kernel::Point_3>;
namespace SMP = CGAL::Surface_mesh_parameterization;

int main(int, char **named) {
  Mesh mesh;
  std::ifstream file(named[1]);
  if (!(file >> mesh)) return 1;
  const auto rim = CGAL::Polygon_mesh_processing::longest_border(mesh).first;
  auto uv = mesh.add_property_map<Mesh::Vertex_index, Kernel::Point_2>("uv").first;
  const double rigid = 10000;
  const unsigned int rounds = 1000;
  const double tolerance = 1e-9;
  using Arap = SMP::ARAP_parameterizer_3<Mesh>;
  Arap arap(Arap::Border_parameterizer(), Arap::Solver_traits(), rigid, rounds, tolerance);
  const auto begun = std::chrono::steady_clock::now();
  const auto error = SMP::parameterize(mesh, arap, rim, uv);
  const std::chrono::duration<double, std::milli> took = std::chrono::steady_clock::now() - begun;
  if (error != SMP::OK) return 2;
  std::cout.precision(12);
  std::cout << took.count() << "\n";
  for (const auto v : mesh.vertices()) std::cout << uv[v].x() << " " << uv[v].y() << "\n";
}
